using Cumbre.Core.Movements;
using Cumbre.Core.Programmes.Generation;

namespace Cumbre.Core.Programmes.Groups;

/// <summary>What a station names.</summary>
public enum StationKind
{
    /// <summary>A movement: each athlete's own load or help, or the rung under it that they can do.</summary>
    Movement,

    /// <summary>A pattern: each athlete's own movement.</summary>
    Pattern,

    /// <summary>A ladder: each athlete's own rung.</summary>
    Ladder,
}

/// <summary>How the stations of a day follow each other.</summary>
public enum GroupForm
{
    /// <summary>One station after the other.</summary>
    Class,

    /// <summary>All stations in turn, in rounds.</summary>
    Circuit,
}

/// <summary>A place of an outline, filled anew for each athlete.</summary>
/// <param name="Key">Unique within its day; a station that moves keeps it.</param>
/// <param name="Kind">What it names.</param>
/// <param name="Of">Slug of a movement or a ladder, or a pattern.</param>
/// <param name="Light">Fewer sets, and less of a hold: a goal has one hard day and one light day.</param>
public sealed record Station(string Key, StationKind Kind, string Of, bool Light = false);

/// <summary>A training day of every week.</summary>
/// <param name="Day">Of the week.</param>
/// <param name="Title">In the coach's words; empty: by what is in it.</param>
/// <param name="Form">Class or circuit.</param>
/// <param name="Sets">Of every station, or rounds of a circuit, 1 to 8; null: each athlete's own.</param>
/// <param name="Stations">In order.</param>
public sealed record OutlineDay(DayOfWeek Day, string Title, GroupForm Form, int? Sets, IReadOnlyList<Station> Stations)
{
    public const int SetsMaximum = 8,
        StationsMaximum = 16;

    /// <summary>Three to four rounds are usual (common practice, no source).</summary>
    public const int RoundsUsual = 3;
}

/// <summary>A block for several athletes: what is done where, and nobody's figures.</summary>
/// <param name="Name">In the coach's words.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Minutes">Of a session, 10 to 240.</param>
/// <param name="LoadingWeeks">1 to 8.</param>
/// <param name="EasyWeek">A last week of half the sets.</param>
/// <param name="Days">Of every week, each once.</param>
public sealed record GroupOutline(
    string Name,
    DateOnly Start,
    int Minutes,
    int LoadingWeeks,
    bool EasyWeek,
    IReadOnlyList<OutlineDay> Days
)
{
    /// <summary>Patterns for which each athlete has their own movement; straight arms and flags are ladders.</summary>
    public static IReadOnlyList<Pattern> Patterns { get; } =
    [
        Pattern.VerticalPull,
        Pattern.HorizontalPull,
        Pattern.VerticalPush,
        Pattern.HorizontalPush,
        Pattern.Legs,
        Pattern.Trunk,
    ];

    public int Weeks => LoadingWeeks + (EasyWeek ? 1 : 0);

    /// <summary>The name of an athlete's item within their block, from which its id follows.</summary>
    public static string ItemName(int week, DayOfWeek day, string key) => $"{SessionName(week, day)}/{key}";

    /// <summary>The keys of the items of a station: its own, and that of the step before beside short singles.</summary>
    public static IEnumerable<string> KeysOf(string station) => [station, station + SessionBuilder.BeforeSuffix];

    /// <summary>The name of a session within an athlete's block.</summary>
    public static string SessionName(int week, DayOfWeek day) => $"{week + 1}/{Weekday(day)}";

    /// <summary>Days after Monday.</summary>
    public static int Weekday(DayOfWeek day) => ((int)day + 6) % 7;
}
