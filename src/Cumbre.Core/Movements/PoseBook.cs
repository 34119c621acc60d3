using Cumbre.Core.Figures;

namespace Cumbre.Core.Movements;

/// <param name="As">The movement that looks the same.</param>
/// <param name="Keys">Names of poses: start, between, end.</param>
/// <param name="Focus">Metres that are shown around the shoulders; null: the whole body.</param>
public sealed record MovementEntry(
    string? As = null,
    IReadOnlyList<string>? Keys = null,
    FigurePath? Path = null,
    double? Focus = null
);

/// <summary>figures.json.</summary>
/// <param name="Poses">By name.</param>
/// <param name="Movements">By slug; one that is a pose of the same name is left out.</param>
/// <param name="Forms">By slug: faults beside the right position.</param>
public sealed record FigureFile(
    IReadOnlyDictionary<string, PoseEntry> Poses,
    IReadOnlyDictionary<string, MovementEntry> Movements,
    IReadOnlyDictionary<string, IReadOnlyList<FormFault>> Forms
);

/// <summary>How fast a movement is shown.</summary>
public enum FigurePace
{
    /// <summary>A repetition without a tempo: 3 s.</summary>
    Usual,

    /// <summary>As fast as possible there, under control back.</summary>
    Fast,

    /// <summary>Held at the end.</summary>
    Held,
}

/// <summary>How a movement is drawn.</summary>
/// <param name="Keys">Names of poses: start, between, end.</param>
/// <param name="Path">Null: no arrow.</param>
/// <param name="Focus">Metres; null: the whole body.</param>
/// <param name="Pace">How fast it is shown.</param>
public sealed record MovementFigure(IReadOnlyList<string> Keys, FigurePath? Path, double? Focus, FigurePace Pace);

/// <summary>The poses of the catalogue, and which movement goes through which.</summary>
public sealed class PoseBook
{
    private const string FileName = "figures.json";

    private static readonly Lazy<PoseBook> Embedded = new(() =>
        new(CatalogueJson.ReadEmbedded<FigureFile>(FileName), Catalogue.Shipped.Movements.Values)
    );

    /// <exception cref="CatalogueException">A name is unknown, or a pose is like itself.</exception>
    public PoseBook(FigureFile file, IEnumerable<Movement> movements)
    {
        var poses = new Dictionary<string, Pose>(StringComparer.Ordinal);
        foreach (var name in file.Poses.Keys)
            Read(name, file.Poses, poses, []);
        Poses = poses;
        var figures = new Dictionary<string, MovementFigure>(StringComparer.Ordinal);
        foreach (var movement in movements)
            if (Of(movement.Slug, file, 0) is { } figure)
                figures[movement.Slug] = figure with { Pace = PaceOf(movement) };
        Movements = figures;
        if (file.Movements.Keys.FirstOrDefault(m => !figures.ContainsKey(m)) is { } unknown)
            throw new CatalogueException(FileName, unknown, "is no movement");
        Forms = file.Forms;
        foreach (var (slug, faults) in Forms)
        foreach (var fault in faults)
            if (!figures.ContainsKey(slug) || !Poses.ContainsKey(fault.Right) || !Poses.ContainsKey(fault.Wrong))
                throw new CatalogueException(FileName, $"{slug}: {fault.Fault}", "names what there is not");
    }

    private PoseBook(PoseBook shipped, IEnumerable<Movement> own)
    {
        var poses = shipped.Poses.ToDictionary(StringComparer.Ordinal);
        var movements = shipped.Movements.ToDictionary(StringComparer.Ordinal);
        foreach (var movement in own.Where(m => m.Poses.Count > 0))
        {
            var keys = movement.Poses.Select((_, i) => $"{movement.Slug}/{i + 1}").ToArray();
            foreach (var (key, entry) in keys.Zip(movement.Poses))
                poses[key] = shipped.Read(entry);
            movements[movement.Slug] = new(keys, null, null, PaceOf(movement));
        }

        (Poses, Movements, Forms) = (poses, movements, shipped.Forms);
    }

    public static PoseBook Shipped => Embedded.Value;

    /// <summary>With the poses that a club's own movements have.</summary>
    public PoseBook With(IEnumerable<Movement> own) => new(this, own);

    /// <summary>A pose that is written anywhere.</summary>
    /// <exception cref="CatalogueException">It is like a pose that there is not.</exception>
    public Pose Read(PoseEntry entry) => Of(entry, entry.Like is { } like ? Named(like) : Pose.Standing, StayOf(entry));

    private Pose? StayOf(PoseEntry entry) =>
        entry.Stay is { } stay ? Named(stay)
        : entry.Like is { } like ? Named(like).Stay
        : null;

    private Pose Named(string name) =>
        Poses.GetValueOrDefault(name) ?? throw new CatalogueException(FileName, name, "is no pose");

    /// <summary>A pose in full, as it is written.</summary>
    public PoseEntry Entry(Pose pose) =>
        new(
            null,
            pose.View,
            pose.Hold,
            pose.Kit,
            pose.Trunk,
            Written(pose.Arm),
            pose.ArmLeft is { } arm ? Written(arm) : null,
            Written(pose.Leg),
            pose.LegLeft is { } leg ? Written(leg) : null,
            pose.Round,
            pose.Neck,
            [pose.BladesUp, pose.BladesForward],
            pose.Grip,
            pose.Stay is { } stay ? Poses.First(p => ReferenceEquals(p.Value, stay)).Key : null,
            pose.Free.ToDictionary(f => f.Variable, f => f.Condition)
        );

    private static double[] Written(ArmAngles a) => [a.Flexion, a.Elbow, a.Out, a.Twist];

    private static double[] Written(LegAngles l) =>
        l.Foot is { } foot ? [l.Hip, l.Knee, l.Out, foot] : [l.Hip, l.Knee, l.Out];

    public IReadOnlyDictionary<string, Pose> Poses { get; }

    /// <summary>By slug; a movement without a figure is not among them.</summary>
    public IReadOnlyDictionary<string, MovementFigure> Movements { get; }

    /// <summary>By slug: faults of the movement beside the right position.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<FormFault>> Forms { get; }

    private static FigurePace PaceOf(Movement movement) =>
        movement.IsHeld ? FigurePace.Held
        : movement.Fast ? FigurePace.Fast
        : FigurePace.Usual;

    private MovementFigure? Of(string slug, FigureFile file, int depth)
    {
        if (!file.Movements.TryGetValue(slug, out var entry))
            return Poses.ContainsKey(slug) ? new([slug], null, null, FigurePace.Usual) : null;
        if (entry.As is { } other)
            return depth < 4
                ? Of(other, file, depth + 1)
                : throw new CatalogueException(FileName, slug, "is as itself");
        if (entry.Keys is not { Count: > 0 } keys)
            throw new CatalogueException(FileName, slug, "has no poses");
        if (keys.FirstOrDefault(k => !Poses.ContainsKey(k)) is { } unknown)
            throw new CatalogueException(FileName, slug, $"no pose {unknown}");
        return new(keys, entry.Path, entry.Focus, FigurePace.Usual);
    }

    private static Pose Read(
        string name,
        IReadOnlyDictionary<string, PoseEntry> entries,
        Dictionary<string, Pose> read,
        HashSet<string> on
    )
    {
        if (read.TryGetValue(name, out var known))
            return known;
        if (!entries.TryGetValue(name, out var entry))
            throw new CatalogueException(FileName, name, "is no pose");
        if (!on.Add(name))
            throw new CatalogueException(FileName, name, "is like itself");
        var like = entry.Like is { } l ? Read(l, entries, read, on) : Pose.Standing;
        var stay = entry.Stay is { } s ? Read(s, entries, read, on) : like.Stay;
        return read[name] = Of(entry, like, stay);
    }

    /// <summary>What is written, over the pose that it is like.</summary>
    private static Pose Of(PoseEntry entry, Pose like, Pose? stay) =>
        like with
        {
            View = entry.View ?? like.View,
            Hold = entry.Hold ?? like.Hold,
            Kit = entry.Kit ?? like.Kit,
            Trunk = entry.Trunk ?? like.Trunk,
            Arm = entry.Arm is { } arm ? ArmOf(arm) : like.Arm,
            ArmLeft = entry.ArmLeft is { } armLeft ? ArmOf(armLeft) : like.ArmLeft,
            Leg = entry.Leg is { } leg ? LegOf(leg) : like.Leg,
            LegLeft = entry.LegLeft is { } legLeft ? LegOf(legLeft) : like.LegLeft,
            Round = entry.Round ?? like.Round,
            Neck = entry.Neck ?? like.Neck,
            BladesUp = entry.Blades is [var up, ..] ? up : like.BladesUp,
            BladesForward = entry.Blades is [_, var forward] ? forward : like.BladesForward,
            Grip = entry.Grip ?? like.Grip,
            Stay = stay,
            Free = entry.Free is { } free ? [.. free.Select(f => (f.Key, f.Value))] : like.Free,
        };

    private static ArmAngles ArmOf(IReadOnlyList<double> a) => new(At(a, 0), At(a, 1), At(a, 2), At(a, 3));

    private static LegAngles LegOf(IReadOnlyList<double> a) =>
        new(At(a, 0), At(a, 1), At(a, 2), a.Count > 3 ? a[3] : null);

    private static double At(IReadOnlyList<double> angles, int index) => index < angles.Count ? angles[index] : 0;
}
