using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Programmes.Groups;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Programmes;

/// <summary>A place of an outline.</summary>
/// <param name="Key">Unique within its day.</param>
/// <param name="Kind">What it names.</param>
/// <param name="Of">Slug of a movement or ladder, or a pattern.</param>
/// <param name="Light">The light day of a goal.</param>
public sealed record StationBody(string Key, StationKind Kind, string Of, bool Light);

/// <summary>A day of an outline.</summary>
/// <param name="Day">Of the week, each once.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Form">Class or circuit.</param>
/// <param name="Sets">Of every station, or rounds, 1 to 8; null: each athlete's own.</param>
/// <param name="Stations">1 to 16.</param>
public sealed record OutlineDayBody(
    DayOfWeek Day,
    string Title,
    GroupForm Form,
    int? Sets,
    IReadOnlyList<StationBody> Stations
);

/// <summary>A block for several athletes.</summary>
/// <param name="Name">At most 80 characters.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Minutes">Of a session, 10 to 240.</param>
/// <param name="LoadingWeeks">1 to 8.</param>
/// <param name="EasyWeek">A last week of half the sets.</param>
/// <param name="Days">1 to 7.</param>
public sealed record OutlineBody(
    string Name,
    DateOnly Start,
    int Minutes,
    int LoadingWeeks,
    bool EasyWeek,
    IReadOnlyList<OutlineDayBody> Days
)
{
    private const int KeyMaximum = 40,
        TitleMaximum = 80;

    public static OutlineBody Of(GroupOutline o) =>
        new(
            o.Name,
            o.Start,
            o.Minutes,
            o.LoadingWeeks,
            o.EasyWeek,
            [
                .. o.Days.Select(d => new OutlineDayBody(
                    d.Day,
                    d.Title,
                    d.Form,
                    d.Sets,
                    [.. d.Stations.Select(s => new StationBody(s.Key, s.Kind, s.Of, s.Light))]
                )),
            ]
        );

    /// <exception cref="FieldException">A field is empty, unknown or out of its range.</exception>
    public GroupOutline Parse(Atlas atlas)
    {
        if (Start.DayOfWeek != DayOfWeek.Monday)
            throw Problems.Field("outline.start", Words.StartNotMonday);
        Range("outline.minutes", Minutes, BlockWish.MinutesMinimum, BlockWish.MinutesMaximum);
        Range("outline.loadingWeeks", LoadingWeeks, 1, BlockWish.LoadingWeeksMaximum);
        if (Days.Count == 0)
            throw Problems.Field("outline.days", Words.AddDay);
        if (Days.DistinctBy(d => d.Day).Count() != Days.Count)
            throw Problems.Field("outline.days", Words.WeekdayTwice);
        return new(
            Problems.Text("outline.name", Name, Words.WriteName, 80),
            Start,
            Minutes,
            LoadingWeeks,
            EasyWeek,
            [.. Days.Select((d, i) => Parse(d, $"outline.days.{i}", atlas))]
        );
    }

    private static OutlineDay Parse(OutlineDayBody day, string path, Atlas atlas)
    {
        if (day.Title.Length > TitleMaximum)
            throw Problems.Field(path + ".title", Words.TitleTooLong(TitleMaximum));
        if (day.Sets is { } sets)
            Range(path + ".sets", sets, 1, OutlineDay.SetsMaximum);
        if (day.Form == GroupForm.Circuit && day.Sets is null)
            throw Problems.Field(path + ".sets", Words.RoundsMissing);
        if (day.Stations.Count is 0 or > OutlineDay.StationsMaximum)
            throw Problems.Field(path + ".stations", Words.StationsRange(OutlineDay.StationsMaximum));
        if (day.Stations.DistinctBy(s => s.Key).Count() != day.Stations.Count)
            throw Problems.Field(path + ".stations", Words.StationsTwice);
        return new(
            day.Day,
            day.Title.Trim(),
            day.Form,
            day.Sets,
            [
                .. day.Stations.Select(
                    (s, i) =>
                        s.Key.Length is > 0 and <= KeyMaximum && IsKnown(s, atlas)
                            ? new Station(s.Key, s.Kind, s.Of, s.Light)
                            : throw Problems.Field($"{path}.stations.{i}", Words.StationEmpty)
                ),
            ]
        );
    }

    private static bool IsKnown(StationBody station, Atlas atlas) =>
        station.Kind switch
        {
            StationKind.Movement => atlas.Catalogue.Movements.ContainsKey(station.Of),
            StationKind.Ladder => atlas.BySlug.ContainsKey(station.Of),
            _ => Enum.TryParse<Pattern>(station.Of, out var pattern) && GroupOutline.Patterns.Contains(pattern),
        };

    private static void Range(string path, int value, int from, int to)
    {
        if (value < from || value > to)
            throw Problems.Field(path, Words.OutOfRange(value, from, to));
    }
}

/// <param name="Outline">For all.</param>
/// <param name="Athletes">1 to 30, each once.</param>
/// <param name="Version">Of the stored group; 0 to create.</param>
public sealed record GroupRequest(OutlineBody Outline, IReadOnlyList<Guid> Athletes, long Version)
{
    public const int AthletesMaximum = 30;
}

/// <summary>A group in a list.</summary>
public sealed record GroupRow(Guid Id, string Name, DateOnly Start, int Weeks, IReadOnlyList<string> Athletes);

/// <summary>A group with what its members do.</summary>
public sealed record GroupDto(Guid Id, OutlineBody Outline, IReadOnlyList<Guid> Athletes, long Version, GroupPlan Plan);

/// <summary>What the members of a group do side by side.</summary>
/// <param name="Members">In the coach's order.</param>
/// <param name="Weeks">Of the block.</param>
public sealed record GroupPlan(IReadOnlyList<MemberDto> Members, IReadOnlyList<GroupWeek> Weeks);

/// <summary>A member, and what to know of their block.</summary>
/// <param name="AthleteId">Who.</param>
/// <param name="Name">Who.</param>
/// <param name="BlockId">Their own block.</param>
/// <param name="HasBlock">It is stored.</param>
/// <param name="WithoutMass">No load can be worked out: the athlete was never weighed.</param>
/// <param name="Notices">What the coach must know.</param>
/// <param name="Cautions">Those that are open in it, the first of each kind.</param>
public sealed record MemberDto(
    Guid AthleteId,
    string Name,
    Guid BlockId,
    bool HasBlock,
    bool WithoutMass,
    IReadOnlyList<Notice> Notices,
    IReadOnlyList<CautionNote> Cautions
);

/// <summary>A week of a group.</summary>
public sealed record GroupWeek(WeekKind Kind, IReadOnlyList<GroupSession> Sessions);

/// <summary>A session of a group.</summary>
/// <param name="Day">Training day.</param>
/// <param name="Title">Of the outline; empty: it has none.</param>
/// <param name="Form">Class or circuit.</param>
/// <param name="Stations">In order; one without a key holds what was added by hand.</param>
/// <param name="Minutes">Of each member, in their order; null: no session that day.</param>
public sealed record GroupSession(
    DateOnly Day,
    string Title,
    GroupForm Form,
    IReadOnlyList<GroupStation> Stations,
    IReadOnlyList<int?> Minutes
);

/// <summary>A station with what each member does there.</summary>
/// <param name="Key">Empty: what was added by hand.</param>
/// <param name="Name">What it names.</param>
/// <param name="Light">The light day of a goal.</param>
/// <param name="Cells">Of each member, in their order; an empty one: nothing.</param>
public sealed record GroupStation(string Key, string Name, bool Light, IReadOnlyList<IReadOnlyList<GroupItem>> Cells);

/// <summary>What a member does at a station.</summary>
/// <param name="Movement">Name.</param>
/// <param name="Line">Canonical.</param>
/// <param name="Easier">In a circuit: what they do when it is too much; null: there is nothing easier.</param>
public sealed record GroupItem(string Movement, string Line, EasierDto? Easier);

/// <summary>An easier alternate.</summary>
public sealed record EasierDto(string Movement, string Line);
