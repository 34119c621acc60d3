using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;

namespace Cumbre.Server.Athletes;

/// <summary>What a write changed about an athlete, for the audit: field by field, by what it concerns.</summary>
internal static class AthleteNotes
{
    /// <param name="before">Null: they are new.</param>
    /// <param name="after">As they are written.</param>
    public static IEnumerable<AuditNote> Between(AthleteProfile? before, AthleteProfile after)
    {
        if (before is null)
        {
            yield return new(AuditKind.AthleteMade) { Athlete = after.Id };
            yield break;
        }

        foreach (
            var (kind, of) in new (AuditKind, Func<AthleteProfile, object>)[]
            {
                (AuditKind.ProfileChanged, Profile),
                (AuditKind.SchoolsChanged, p => p.SchoolOverrides),
                (AuditKind.IntakeChanged, Asked),
                (AuditKind.ClearanceChanged, p => new { byAge = p.Cleared, p.Intake.Clearance }),
                (AuditKind.ComplaintsChanged, p => new { p.Intake.Complaints }),
            }
        )
        {
            var (was, now) = (Node(of(before)), Node(of(after)));
            var changed = was.Select(p => p.Key)
                .Union(now.Select(p => p.Key))
                .Where(k => !JsonNode.DeepEquals(was[k], now[k]))
                .ToArray();
            if (changed.Length > 0)
                yield return new(kind)
                {
                    Athlete = after.Id,
                    Before = Text(was, changed),
                    After = Text(now, changed),
                };
        }
    }

    private static object Profile(AthleteProfile p) =>
        new
        {
            p.Name,
            p.BirthYear,
            p.Sex,
            p.StatureCm,
            p.Lengths,
            p.Unit,
            plates = p.Kit.Pieces.Select(s => $"{s.Count} x {s.Size.Value} {s.Size.Unit}"),
            p.Kit.HasBelt,
        };

    private static object Asked(AthleteProfile p) =>
        new
        {
            p.Intake.TrainingYears,
            p.Intake.Days,
            p.Intake.Minutes,
            p.Intake.Place,
            p.Intake.Shoulders,
            p.Intake.Goals,
            p.Intake.GuardianConsent,
        };

    private static JsonObject Node(object value) =>
        (JsonObject)JsonSerializer.SerializeToNode(value, WireJson.Options)!;

    private static string Text(JsonObject of, IEnumerable<string> keys) =>
        string.Join("; ", keys.Select(k => $"{k}: {Plain(of[k])}"));

    /// <summary>A value without the signs of JSON.</summary>
    private static string Plain(JsonNode? value) =>
        value switch
        {
            null => "—",
            JsonArray { Count: 0 } or JsonObject { Count: 0 } => "—",
            JsonArray list => string.Join(", ", list.Select(Plain)),
            JsonObject fields => string.Join(" ", fields.Select(f => $"{f.Key} {Plain(f.Value)}")),
            _ => value.ToString(),
        };
}
