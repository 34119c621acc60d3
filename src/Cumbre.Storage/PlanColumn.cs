using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Storage;

/// <summary>What is written for an item, as it lies in a column.</summary>
internal static class PlanColumn
{
    public static string Write(WrittenLine written) =>
        written.Plan is { } plan ? PrescriptionJson.Write(plan) : PrescriptionJson.WriteUnread(written.Text);

    /// <summary>A text that could not be read when it was stored may be read by now.</summary>
    public static WrittenLine Read(string json)
    {
        var (plan, unread) = PrescriptionJson.ReadEither(json);
        return plan is null ? WrittenLine.Typed(unread!) : WrittenLine.Of(plan);
    }
}
