using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What the intake, pain and clearance say before anything is chosen.</summary>
internal static class IntakeNotices
{
    public static void Add(AthleteAtWork athlete, BlockWish wish, GeneratorRules rules, List<Notice> notices)
    {
        var intake = athlete.Intake;
        if (!athlete.Gear.IsGearKnown)
            notices.Add(Notice.Of(NoticeId.KitUnknown));
        if (wish.Minutes is null && intake.Minutes is null)
            notices.Add(Notice.Of(NoticeId.MinutesUnknown, Quantity.Count(rules.MinutesUnknown)));
        foreach (var pain in intake.Complaints.Where(c => c.Level >= PainRules.EaseFrom))
            notices.Add(
                Notice.Of(
                    pain.Level >= PainRules.StopFrom ? NoticeId.PainStop : NoticeId.PainEased,
                    Quantity.Name(pain.Place),
                    Quantity.Pain(pain.Level)
                )
            );
        foreach (var stop in athlete.Stops)
            notices.Add(
                Notice.Of(NoticeId.PainStop, Quantity.Name(stop.Place.Said), Quantity.Pain(stop.Because.Level))
            );
        foreach (var question in athlete.WaitsForClearance)
            notices.Add(Notice.Of(NoticeId.ClearanceOpen, Quantity.Name(question.Question)));
        if (Clearance.ConsentMissing(athlete.Athlete.AgeIn(athlete.Today), intake))
            notices.Add(Notice.Of(NoticeId.ConsentMissing));
        if (wish.Start < athlete.Today)
            notices.Add(Notice.Of(NoticeId.DaysOver, Quantity.Count(athlete.Today.DayNumber - wish.Start.DayNumber)));
    }
}
