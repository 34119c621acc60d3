using System.Collections.Concurrent;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Storage;

/// <summary>What is written for an item, as it lies in a column.</summary>
internal static class PlanColumn
{
    public static string Write(WrittenLine written) =>
        written.Plan is { } plan ? PrescriptionJson.Write(plan) : PrescriptionJson.WriteUnread(written.Text);

    /// <summary>The same few plans stand in thousands of rows; each is read once.</summary>
    private const int KnownMost = 20_000;

    private static readonly ConcurrentDictionary<string, WrittenLine> Known = new(StringComparer.Ordinal);

    public static WrittenLine Read(string json)
    {
        if (Known.TryGetValue(json, out var known))
            return known;
        var read = Parse(json);
        // What could not be read may be read by a later version, and is rare.
        if (read.Plan is not null)
        {
            if (Known.Count >= KnownMost)
                Known.Clear();
            Known[json] = read;
        }

        return read;
    }

    private static WrittenLine Parse(string json)
    {
        var (plan, unread) = PrescriptionJson.ReadEither(json);
        return plan is null ? WrittenLine.Typed(unread!) : WrittenLine.Of(plan);
    }
}
