using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Athletes;

/// <summary>An answer to a question of clearance.</summary>
/// <param name="Question">Slug.</param>
/// <param name="Yes">It applies.</param>
/// <param name="Cleared">A licensed professional has cleared it.</param>
public sealed record ClearanceAnswerDto(string Question, bool Yes, bool Cleared);

/// <summary>A question of clearance, and what it blocks until cleared.</summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Question">As it is asked.</param>
/// <param name="Why">Why it is asked.</param>
/// <param name="ByAge">The age answers it.</param>
/// <param name="BlocksAll">Everything that is trained hard.</param>
/// <param name="Blocks">How many movements of the catalogue it blocks.</param>
public sealed record ClearanceQuestionDto(
    string Slug,
    string Question,
    string Why,
    bool ByAge,
    bool BlocksAll,
    int Blocks
);

/// <summary>What an athlete says when they come in.</summary>
/// <param name="TrainingYears">0 to 80; null: not asked yet.</param>
/// <param name="Days">1 Monday to 7 Sunday.</param>
/// <param name="Minutes">Of a session, 10 to 240; null: not asked yet.</param>
/// <param name="Place">Which kit is used.</param>
/// <param name="Shoulders">Null: not looked at yet.</param>
/// <param name="Goals">At most two to advance.</param>
/// <param name="Complaints">Injuries and pain that are there now.</param>
/// <param name="Clearance">A question without an answer was not asked yet.</param>
/// <param name="GuardianConsent">For a minor.</param>
/// <param name="Finished">Gone through to the end.</param>
public sealed record IntakeDto(
    decimal? TrainingYears,
    IReadOnlyList<int> Days,
    int? Minutes,
    TrainingPlace Place,
    ShoulderRange? Shoulders,
    IReadOnlyList<Goal> Goals,
    IReadOnlyList<Complaint> Complaints,
    IReadOnlyList<ClearanceAnswerDto> Clearance,
    bool GuardianConsent,
    bool Finished
)
{
    private const int ComplaintsMaximum = 20,
        GoalsMaximum = 12;

    public static IntakeDto Of(Intake i) =>
        new(
            i.TrainingYears,
            [.. i.Days.Select(d => d == DayOfWeek.Sunday ? 7 : (int)d)],
            i.Minutes,
            i.Place,
            i.Shoulders,
            i.Goals,
            i.Complaints,
            [.. i.Clearance.Select(c => new ClearanceAnswerDto(c.Key, c.Value.Yes, c.Value.Cleared))],
            i.GuardianConsent,
            i.Finished
        );

    /// <exception cref="FieldException">A field is out of range, or names what does not exist.</exception>
    public Intake ToIntake(Atlas atlas)
    {
        CheckGoals(atlas);
        if (Complaints.Count > ComplaintsMaximum)
            throw Problems.Field("intake.complaints", Words.ComplaintsMost(ComplaintsMaximum));
        return new()
        {
            TrainingYears = TrainingYears is { } years
                ? Problems.At("intake.", () => Guard.InRange("trainingYears", years, 0, 80))
                : null,
            Days =
            [
                .. Days.Distinct()
                    .Order()
                    .Select(
                        (d, i) =>
                            d is >= 1 and <= 7
                                ? (DayOfWeek)(d % 7)
                                : throw Problems.Field($"intake.days[{i}]", Words.WeekdayUnknown(d))
                    ),
            ],
            Minutes = Minutes is { } minutes
                ? Problems.At("intake.", () => Guard.InRange("minutes", minutes, 10, 240))
                : null,
            Place = Place,
            Shoulders = Shoulders,
            Goals = Goals,
            Complaints =
            [
                .. Complaints.Select(
                    (c, i) =>
                        new Complaint(
                            Problems.Text($"intake.complaints[{i}].place", c.Place, Words.WriteWhere, 60),
                            Problems.At($"intake.complaints[{i}].", () =>
                                Guard.InRange("level", c.Level, Limits.PainMinimum, Limits.PainMaximum)
                            ),
                            string.IsNullOrWhiteSpace(c.Note)
                                ? null
                                : Problems.Text($"intake.complaints[{i}].note", c.Note, Words.WriteNote, 200)
                        )
                ),
            ],
            Clearance = Answers(),
            GuardianConsent = GuardianConsent,
            Finished = Finished,
        };
    }

    private void CheckGoals(Atlas atlas)
    {
        if (Goals.Count > GoalsMaximum)
            throw Problems.Field("intake.goals", Words.GoalsMost(GoalsMaximum));
        for (var i = 0; i < Goals.Count; i++)
        {
            if (!atlas.BySlug.ContainsKey(Goals[i].Ladder))
                throw Problems.Field($"intake.goals[{i}].ladder", Words.LadderUnknown(Goals[i].Ladder));
            if (Goals.Take(i).Any(g => g.Ladder == Goals[i].Ladder))
                throw Problems.Field($"intake.goals[{i}].ladder", Words.GoalTwice(atlas.BySlug[Goals[i].Ladder].Name));
        }

        if (Goals.Count(g => g.Kind == GoalKind.Advance) > Intake.AdvanceMaximum)
            throw Problems.Field("intake.goals", Words.AdvanceMost(Intake.AdvanceMaximum));
    }

    private Dictionary<string, ClearanceAnswer> Answers()
    {
        var answers = new Dictionary<string, ClearanceAnswer>(StringComparer.Ordinal);
        foreach (var (answer, i) in Clearance.Select((a, i) => (a, i)))
        {
            if (Core.Athletes.Clearance.Questions.All(q => q.Slug != answer.Question || q.IsByAge))
                throw Problems.Field($"intake.clearance[{i}].question", Words.ClearanceUnknown(answer.Question));
            answers[answer.Question] = new(answer.Yes, answer.Yes && answer.Cleared);
        }

        return answers;
    }
}
