using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Reading;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Standings;

/// <summary>A test that guards a goal and is six weeks old, or will be within two.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Benchmark">Slug.</param>
/// <param name="Name">As it is called.</param>
/// <param name="LastDay">Of the newest result.</param>
/// <param name="DueDay">The last day on which it is fresh.</param>
/// <param name="Overdue">That day is over.</param>
/// <param name="Goals">Names of the ladders that it matters to.</param>
public sealed record Retest(
    Guid AthleteId,
    string AthleteName,
    string Benchmark,
    string Name,
    DateOnly LastDay,
    DateOnly DueDay,
    bool Overdue,
    IReadOnlyList<string> Goals
)
{
    private const int HorizonDays = 14;

    /// <summary>Tests of an athlete that are due within the horizon.</summary>
    internal static IReadOnlyList<Retest> Of(AthleteProfile profile, AthleteAtWork athlete) =>
        [
            .. Standards
                .DueTests(athlete, HorizonDays)
                .Select(t => new Retest(
                    profile.Id,
                    profile.Name,
                    t.Benchmark,
                    t.Name,
                    t.LastDay,
                    t.DueDay,
                    t.Overdue,
                    t.Ladders
                )),
        ];
}

/// <summary>Pain that was told in the last week: in a set, a test, a check-in, or the morning after.</summary>
public sealed record ToldPain(
    Guid AthleteId,
    string AthleteName,
    Guid? SessionId,
    DateOnly Day,
    PainOrigin Origin,
    string? Movement,
    int Pain,
    string Place,
    StopSign? Sign,
    bool Stopped
)
{
    /// <summary>Pain is shown for so many days.</summary>
    internal const int Days = 7;

    /// <summary>The worst of each place in the last week, and every stop that holds.</summary>
    internal static IEnumerable<ToldPain> Of(Guid id, string name, AthleteAtWork athlete)
    {
        var recent = athlete.PainReports.Where(r => r.Day >= athlete.Today.AddDays(-Days) && r.Day <= athlete.Today);
        return recent
            .Concat(athlete.Stops.Select(s => s.Because))
            .GroupBy(r => r.Place.Said)
            .Select(g => g.MaxBy(r => (r.Level, r.Day))!)
            .Select(r => new ToldPain(
                id,
                name,
                r.Origin is PainOrigin.Set or PainOrigin.Morning ? r.Source : null,
                r.Day,
                r.Origin,
                r.Movement is { } m ? DoseDto.NameOf(m, athlete) : null,
                r.Level,
                r.Place.Said,
                r.Sign,
                athlete.Stops.Any(s => s.Place.IsSameAs(r.Place))
            ));
    }
}
