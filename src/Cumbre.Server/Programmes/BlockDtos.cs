using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;

namespace Cumbre.Server.Programmes;

/// <summary>One exercise.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Line">As typed; one that cannot be read is kept, up to 2,000 characters.</param>
/// <param name="Joined">Done in turn with the item before it.</param>
/// <param name="Role">The part it plays, as the generator or a decision set it; null: written by hand.</param>
public sealed record ItemBody(Guid Id, string Movement, string Line, bool Joined, ItemRole? Role = null);

/// <summary>Warm-up or cool-down.</summary>
/// <param name="Seconds">0 to 3600.</param>
/// <param name="Text">At most 200 characters.</param>
public sealed record FrameBody(int Seconds, string? Text);

/// <summary>One training.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Day">In its week.</param>
/// <param name="Title">At most 40 characters; may be empty.</param>
/// <param name="WarmUp">As planned.</param>
/// <param name="CoolDown">As planned.</param>
/// <param name="Items">In order.</param>
/// <param name="Fixed">It has begun, and stays as it is; only told, never asked.</param>
public sealed record SessionBody(
    Guid Id,
    DateOnly Day,
    string Title,
    FrameBody WarmUp,
    FrameBody CoolDown,
    IReadOnlyList<ItemBody> Items,
    bool Fixed
);

public sealed record WeekBody(WeekKind Kind, IReadOnlyList<SessionBody> Sessions);

/// <summary>A block as it is edited.</summary>
/// <param name="Name">At most 80 characters.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Weeks">1 to 16.</param>
/// <param name="Kept">Cautions kept, with reasons.</param>
public sealed record BlockBody(string Name, DateOnly Start, IReadOnlyList<WeekBody> Weeks, IReadOnlyList<Kept> Kept)
{
    public static BlockBody Of(Block block) =>
        new(
            block.Name,
            block.Start,
            [.. block.Weeks.Select(w => new WeekBody(w.Kind, [.. w.Sessions.Select(Of)]))],
            block.Kept
        );

    /// <exception cref="FieldException">A field is out of its range.</exception>
    public Block Parse()
    {
        if (Start.DayOfWeek != DayOfWeek.Monday)
            throw Problems.Field("start", Words.StartNotMonday);
        if (Weeks.Count is < 1 or > Block.WeeksMaximum)
            throw Problems.Field("weeks", Words.WeeksRange(Block.WeeksMaximum, Weeks.Count));
        var block = new Block(
            Problems.Text("name", Name, Words.WriteName, 80),
            Start,
            [.. Weeks.Select(Week)],
            [
                .. Kept.Select(
                    (k, i) => new Kept(k.Key, Problems.Text($"kept[{i}].reason", k.Reason, Words.WriteReason, 400))
                ),
            ]
        );
        var sessions = block.Weeks.SelectMany(w => w.Sessions).ToArray();
        if (
            sessions
                .Select(s => s.Id)
                .Concat(sessions.SelectMany(s => s.Items).Select(i => i.Id))
                .GroupBy(id => id)
                .Any(g => g.Count() > 1)
        )
            throw Problems.Field("weeks", Words.IdsTwice);
        return block;
    }

    private static SessionBody Of(BlockSession s) =>
        new(
            s.Id,
            s.Day,
            s.Title,
            new(s.WarmUp.Seconds, s.WarmUp.Text),
            new(s.CoolDown.Seconds, s.CoolDown.Text),
            [.. s.Items.Select(i => new ItemBody(i.Id, i.Movement, i.Line, i.Joined, i.Role))],
            s.Fixed
        );

    private BlockWeek Week(WeekBody week, int index)
    {
        var path = $"weeks[{index}]";
        if (week.Sessions.Count > Block.SessionsMaximum)
            throw Problems.Field($"{path}.sessions", Words.SessionsMost(Block.SessionsMaximum, week.Sessions.Count));
        return new(
            week.Kind,
            [.. week.Sessions.Select((s, i) => Session(s, $"{path}.sessions[{i}]", Start.AddDays(7 * index)))]
        );
    }

    private static BlockSession Session(SessionBody session, string path, DateOnly monday)
    {
        if (session.Day < monday || session.Day >= monday.AddDays(7))
            throw Problems.Field($"{path}.day", Words.DayOutsideWeek(monday, monday.AddDays(6)));
        if (session.Items.Count > DoseRules.Shipped.ItemsPerSession)
            throw Problems.Field(
                $"{path}.items",
                Words.ItemsMost(DoseRules.Shipped.ItemsPerSession, session.Items.Count)
            );
        if (session.Title.Length > 40)
            throw Problems.Field($"{path}.title", Words.LetterTooLong);
        return new(
            session.Id,
            session.Day,
            session.Title.Trim(),
            Framed(session.WarmUp, $"{path}.warmUp"),
            Framed(session.CoolDown, $"{path}.coolDown"),
            [.. session.Items.Select((item, i) => Item(item, $"{path}.items[{i}]"))],
            session.Fixed
        );
    }

    private static Frame Framed(FrameBody frame, string path)
    {
        if (frame.Seconds is < 0 or > Frame.Maximum)
            throw Problems.Field($"{path}.seconds", Words.MinutesRange(Frame.Maximum / 60));
        return new(
            frame.Seconds,
            string.IsNullOrWhiteSpace(frame.Text)
                ? null
                : Problems.Text($"{path}.text", frame.Text, Words.WriteExercise, 200)
        );
    }

    private static BlockItem Item(ItemBody item, string path)
    {
        if (!Slugs.Pattern().IsMatch(item.Movement))
            throw Problems.Field($"{path}.movement", Words.MovementNotChosen);
        if (item.Line.Length > Slugs.LineMaximum)
            throw Problems.Field($"{path}.line", Words.LineTooLong(NotationParser.LineMaximum, item.Line.Length));
        return new(item.Id, item.Movement, WrittenLine.Typed(item.Line.Trim()), item.Joined, item.Role);
    }
}

internal static partial class Slugs
{
    /// <summary>What is kept of a line that cannot be read.</summary>
    public const int LineMaximum = 2000;

    [GeneratedRegex("^[a-z0-9-]{1,80}$")]
    public static partial Regex Pattern();
}

/// <param name="Block">As edited.</param>
/// <param name="Version">0 to create.</param>
public sealed record BlockRequest(BlockBody Block, long Version);

/// <summary>What an item costs, for the overview.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">Its name.</param>
/// <param name="Pattern">Null: the movement is gone.</param>
/// <param name="Line">Canonical, or as typed.</param>
/// <param name="Seconds">Of the item alone.</param>
/// <param name="Readable">False: the line is to be mended, or the athlete lacks something.</param>
public sealed record ItemSummary(Guid Id, string Movement, Pattern? Pattern, string Line, int Seconds, bool Readable);

/// <summary>Items that are done in turn.</summary>
public sealed record GroupSummary(IReadOnlyList<Guid> Items, int Seconds, int SavedSeconds, int? RoundSeconds);

public sealed record SessionReading(
    Guid Id,
    int Seconds,
    int Sets,
    int HardSets,
    int TensionSeconds,
    int StraightArmSeconds,
    int Unread,
    IReadOnlyList<PatternSets> Patterns,
    IReadOnlyList<GroupSummary> Groups,
    IReadOnlyList<ItemSummary> Items
);

/// <summary>What a week costs.</summary>
/// <param name="Number">From 1.</param>
/// <param name="HardSets">Over all patterns.</param>
/// <param name="Patterns">By pattern, with the usual range.</param>
/// <param name="Pull">Hard sets.</param>
/// <param name="Push">Hard sets.</param>
/// <param name="PullToPush">Null: nothing is pushed.</param>
/// <param name="PullToPushFrom">Least that is usual.</param>
/// <param name="PullToPushTo">Most that is usual.</param>
/// <param name="StraightArm">N m s or seconds, with its reasons.</param>
/// <param name="StraightArmMost">By the ramp; null: nothing to grow from.</param>
/// <param name="StraightArmSeconds">In seconds.</param>
/// <param name="Left">Reps or seconds.</param>
/// <param name="Right">Reps or seconds.</param>
/// <param name="VolumeLoadKg">Where it is known.</param>
/// <param name="TensionSeconds">All sessions.</param>
/// <param name="Seconds">All sessions.</param>
/// <param name="Sessions">By day.</param>
public sealed record WeekReading(
    int Number,
    int HardSets,
    IReadOnlyList<PatternSets> Patterns,
    int Pull,
    int Push,
    decimal? PullToPush,
    decimal PullToPushFrom,
    decimal PullToPushTo,
    Figure StraightArm,
    decimal? StraightArmMost,
    int StraightArmSeconds,
    int Left,
    int Right,
    decimal VolumeLoadKg,
    int TensionSeconds,
    int Seconds,
    IReadOnlyList<SessionReading> Sessions
)
{
    public static WeekReading Of(WeekDose week) =>
        new(
            week.Number,
            week.HardSets,
            week.Patterns,
            week.Pull,
            week.Push,
            week.PullToPush,
            DoseRules.Shipped.PullToPushFrom,
            DoseRules.Shipped.PullToPushTo,
            new(
                week.ByMoment
                    ? Quantity.MomentSeconds(week.StraightArm.Value)
                    : Quantity.Seconds((int)week.StraightArm.Value),
                week.StraightArm.Why
            ),
            week.StraightArmMost is { } most ? Math.Round(most) : null,
            week.StraightArmSeconds,
            week.Left,
            week.Right,
            Math.Round(week.VolumeLoad, 1),
            week.TensionSeconds,
            week.Seconds,
            [
                .. week.Sessions.Select(s => new SessionReading(
                    s.Session.Id,
                    s.Seconds,
                    s.Sets,
                    s.HardSets,
                    s.TensionSeconds,
                    s.StraightArmSeconds,
                    s.Unread,
                    s.Patterns,
                    [
                        .. s.Groups.Select(g => new GroupSummary(
                            [.. g.Items.Select(i => i.Item.Id)],
                            g.Seconds,
                            g.SavedSeconds,
                            g.RoundSeconds
                        )),
                    ],
                    [
                        .. s.Items.Select(i => new ItemSummary(
                            i.Item.Id,
                            i.Movement?.Name ?? i.Item.Movement,
                            i.Movement?.Pattern,
                            i.Plan is { } p ? NotationPrinter.Print(p) : i.Item.Line,
                            i.Seconds,
                            i.Resolved is not null
                        )),
                    ]
                )),
            ]
        );
}

/// <summary>An item of the open session in full.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">Card of the movement; null: it is gone.</param>
/// <param name="Canonical">The line as Cumbre writes it; null while it has an error.</param>
/// <param name="Error">With its place.</param>
/// <param name="Problem">The line is right, but the athlete lacks something.</param>
/// <param name="Plan">Loads, plates, time.</param>
/// <param name="Structure">The fields of the plan, for the form.</param>
/// <param name="Bands">Means of the bands at hand in kg, where a band is missing.</param>
/// <param name="Easier">Name of the easier neighbour, the alternate in a circuit; null: there is none.</param>
/// <param name="OnPaper">How it goes after what stands before it in the session; null: too little is known.</param>
public sealed record ItemMeaning(
    Guid Id,
    MovementDto? Movement,
    string? Canonical,
    NotationError? Error,
    ResolutionProblem? Problem,
    ResolvedDto? Plan,
    JsonObject? Structure,
    IReadOnlyList<decimal> Bands,
    string? Easier,
    OnPaper? OnPaper = null,
    IReadOnlyList<LineMisfit>? Misfits = null
);

/// <summary>What a line says that its movement or the kit does not do, with the lines that may have been meant.</summary>
public sealed record LineMisfit(MisfitKind Kind, IReadOnlyList<string> Ways)
{
    public static IReadOnlyList<LineMisfit> Of(
        Prescription? plan,
        Movement? movement,
        ResolvedPrescription? resolved,
        ResolutionContext? context
    ) =>
        plan is null || movement is null
            ? []
            :
            [
                .. LineFit
                    .Of(plan, movement, resolved, context)
                    .Select(m => new LineMisfit(m.Kind, [.. m.Ways.Select(NotationPrinter.Print)])),
            ];
}

/// <summary>A line done on paper by the athlete's twin.</summary>
/// <param name="Verdict">How it goes.</param>
/// <param name="FailsAt">The first set that does not reach its range; null: all do.</param>
/// <param name="Left">Whole reps or seconds that are left in the set that leaves the fewest.</param>
/// <param name="Sets">In order.</param>
/// <param name="From">What it is reckoned from.</param>
public sealed record OnPaper(
    DryRunVerdict Verdict,
    int? FailsAt,
    int Left,
    IReadOnlyList<DryRunSet> Sets,
    Explanation From
)
{
    public static OnPaper? Of(DryRunItem? run) =>
        run is null ? null : new(run.Verdict, run.FailsAt, run.Left, run.Sets, run.From.Why);
}

/// <summary>A caution on a block.</summary>
/// <param name="Key">By which it is kept.</param>
/// <param name="Id">Which.</param>
/// <param name="Args">Figures for its words.</param>
/// <param name="Week">From 1.</param>
/// <param name="Session">Null: on the week as a whole.</param>
/// <param name="Item">Null: on more than one item.</param>
/// <param name="Remedies">What one press does about it.</param>
/// <param name="KeptBecause">Null: it is open.</param>
public sealed record BlockCaution(
    string Key,
    CautionId Id,
    IReadOnlyList<Quantity> Args,
    int Week,
    Guid? Session,
    Guid? Item,
    IReadOnlyList<RemedyDto> Remedies,
    string? KeptBecause
)
{
    public static BlockCaution Of(ProgrammeCaution c) =>
        new(c.Key, c.Id, c.Args, c.Week, c.Session, c.Item, [.. c.Remedies.Select(RemedyDto.Of)], c.KeptBecause);
}

/// <summary>A change of the block that answers a caution.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Item">To which item; null: to the session.</param>
/// <param name="Session">To which session.</param>
/// <param name="Line">The new line.</param>
/// <param name="Movement">Slug of the new movement.</param>
/// <param name="MovementName">Its name.</param>
/// <param name="Day">The new day.</param>
public sealed record RemedyDto(
    RemedyKind Kind,
    Guid? Item,
    Guid? Session,
    string? Line,
    string? Movement,
    string? MovementName,
    DateOnly? Day
)
{
    public static RemedyDto Of(Remedy r) =>
        new(
            r.Kind,
            r.Item,
            r.Session,
            r.Plan is { } plan ? NotationPrinter.Print(plan) : null,
            r.Movement,
            r.MovementName,
            r.Day
        );
}

/// <summary>What a block means for its athlete.</summary>
/// <param name="Weeks">What each costs.</param>
/// <param name="Cautions">Open and kept.</param>
/// <param name="Items">Of the open session.</param>
public sealed record BlockReading(
    IReadOnlyList<WeekReading> Weeks,
    IReadOnlyList<BlockCaution> Cautions,
    IReadOnlyList<ItemMeaning> Items
)
{
    public static BlockReading Of(Block block, AthleteAtWork athlete, Guid? open)
    {
        var doses = DoseReader.Read(block, athlete, DoseRules.Shipped);
        var session = doses.SelectMany(w => w.Sessions).FirstOrDefault(s => s.Session.Id == open);
        return new(
            [.. doses.Select(WeekReading.Of)],
            [.. BlockChecks.Of(block, doses, athlete, DoseRules.Shipped).Select(BlockCaution.Of)],
            session is null
                ? []
                :
                [
                    .. session.Items.Zip(DryRun.Of([.. session.Items], athlete), (i, run) =>
                        Meaning(i, athlete) with
                        {
                            OnPaper = OnPaper.Of(run),
                        }
                    ),
                ]
        );
    }

    internal static ItemMeaning Meaning(ItemReading item, AthleteAtWork athlete) =>
        new(
            item.Item.Id,
            item.Movement is { } m ? MovementDto.Of(m, item.Plan, athlete) : null,
            item.Plan is { } plan ? NotationPrinter.Print(plan) : null,
            item.Error,
            item.Problem,
            item.Resolved is { } resolved
                ? ResolvedDto.Of(resolved, athlete.ContextOf(item.Movement!)!, resolved.Cautions)
                : null,
            item.Plan is { } written ? PrescriptionJson.ToNode(written) : null,
            item.Problem == ResolutionProblem.NoSuchBand
                ? [.. athlete.Gear.Bands.Select(b => b.Help(athlete.Today).Value.Kilograms).Order()]
                : [],
            item.Movement?.Easier.Select(s => athlete.Atlas.Catalogue.Movements[s])
                .FirstOrDefault(e => e.Pattern == item.Movement.Pattern)
                ?.Name,
            Misfits: LineMisfit.Of(
                item.Plan,
                item.Movement,
                item.Resolved,
                item.Movement is null ? null : athlete.ContextOf(item.Movement)
            )
        );
}

/// <summary>What changed in a session that has not begun, since the coach last saw it.</summary>
/// <param name="Item">Of the session.</param>
/// <param name="Day">Of the session.</param>
/// <param name="Session">Of the item.</param>
/// <param name="Movement">Name.</param>
/// <param name="LoadsKg">Now.</param>
/// <param name="LoadsKgBefore">Then.</param>
/// <param name="HoldSeconds">Now.</param>
/// <param name="HoldSecondsBefore">Then.</param>
public sealed record ResolvedAnew(
    Guid Item,
    Guid Session,
    DateOnly Day,
    string Movement,
    IReadOnlyList<decimal> LoadsKg,
    IReadOnlyList<decimal> LoadsKgBefore,
    int? HoldSeconds,
    int? HoldSecondsBefore
);

/// <summary>A stored block with what it means.</summary>
/// <param name="Id">Of the block.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Minutes">That the athlete has for a session; null: not asked.</param>
/// <param name="Days">On which the athlete trains.</param>
/// <param name="BodyMassKg">That counts today; null: never weighed.</param>
/// <param name="Version">For the next write.</param>
/// <param name="WrittenAt">Last.</param>
/// <param name="WrittenBy">Name.</param>
/// <param name="Block">As edited.</param>
/// <param name="Reading">What it means.</param>
/// <param name="Anew">What a new body mass or test changed.</param>
/// <param name="Generated">Null: it was written by hand.</param>
/// <param name="Group">Null: it is of no group.</param>
/// <param name="Outside">Planned sessions in its weeks that are not of it.</param>
public sealed record BlockDto(
    Guid Id,
    Guid AthleteId,
    string AthleteName,
    int? Minutes,
    IReadOnlyList<DayOfWeek> Days,
    decimal? BodyMassKg,
    long Version,
    DateTimeOffset WrittenAt,
    string? WrittenBy,
    BlockBody Block,
    BlockReading Reading,
    IReadOnlyList<ResolvedAnew> Anew,
    GeneratedMark? Generated,
    GroupMark? Group,
    IReadOnlyList<OutsideSession> Outside
);

/// <summary>The group whose outline a block follows.</summary>
public sealed record GroupMark(Guid Id, string Name);

/// <summary>When a block was generated last, and by whom.</summary>
public sealed record GeneratedMark(DateTimeOffset At, string? By);

/// <summary>A block in a list.</summary>
public sealed record BlockSummary(Guid Id, string Name, DateOnly Start, int Weeks, long Version);

/// <summary>An athlete in the list of programmes.</summary>
public sealed record ProgrammeRow(
    Guid AthleteId,
    string AthleteName,
    IReadOnlyList<string> Goals,
    BlockSummary? Block,
    int? WeekNow
);

/// <summary>A movement of the picker, as it stands for an athlete.</summary>
/// <param name="Slug">Of the movement.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Aliases">Other names.</param>
/// <param name="Pattern">What it mainly does.</param>
/// <param name="Level">1 is the easiest of its family.</param>
/// <param name="Kit">What it needs.</param>
/// <param name="KitMissing">Of that, what is not there.</param>
/// <param name="Status">Of its step; null: it is no step.</param>
/// <param name="Line">With which it usually starts.</param>
public sealed record PickDto(
    string Slug,
    string Name,
    IReadOnlyList<string> Aliases,
    Pattern Pattern,
    int Level,
    IReadOnlyList<string> Kit,
    string? KitMissing,
    Core.Ladders.StepStatus? Status,
    string Line
);

/// <summary>A stand-in for a movement.</summary>
public sealed record SubstituteDto(
    string Slug,
    string Name,
    string Line,
    int Level,
    int Harder,
    string? KitMissing,
    Core.Ladders.StepStatus? Status,
    string? Helps
)
{
    public static SubstituteDto Of(Substitute s) =>
        new(
            s.Movement.Slug,
            s.Movement.Name,
            NotationPrinter.Print(s.Plan),
            s.Level,
            s.Harder,
            s.KitMissing,
            s.Status,
            s.Helps
        );
}

/// <summary>What a rule changed in an item.</summary>
public sealed record ItemChangeDto(
    Guid Item,
    DateOnly Day,
    string MovementBefore,
    string LineBefore,
    string Movement,
    string Line,
    ChangeReason Reason
)
{
    public static ItemChangeDto Of(Core.Programmes.ItemChange c, Catalogue catalogue) =>
        new(
            c.Item,
            c.Session,
            Name(c.Before.Movement, catalogue),
            c.Before.Line.Text,
            Name(c.After.Movement, catalogue),
            c.After.Line.Text,
            c.Reason
        );

    private static string Name(string slug, Catalogue catalogue) =>
        catalogue.Movements.GetValueOrDefault(slug)?.Name ?? slug;
}
