using Cumbre.Core.Benchmarks;

namespace Cumbre.Core.Ladders;

/// <summary>Where a step stands for an athlete.</summary>
public enum StepStatus
{
    /// <summary>The unlock standard was shown, or a later step implies it.</summary>
    Won,

    /// <summary>Shown far enough that the next may be tried, not yet won: it goes on.</summary>
    Open,

    /// <summary>The step in training.</summary>
    Training,

    /// <summary>Preparation that goes on as support work.</summary>
    Support,

    /// <summary>Only the steps before it are missing.</summary>
    Ahead,

    /// <summary>A gate of its own is unmet.</summary>
    Locked,
}

/// <summary>A step that the coach set against the rule, with the reason.</summary>
public sealed record CoachPlacement(string Ladder, string Step, string Reason, DateOnly Day);

/// <summary>
/// Where an athlete stands on a ladder, as positions of its steps: the bare rule, cheap enough for a whole club at
/// once.
/// <see cref="PlacementReport"/> tells it with its reasons.
/// </summary>
public sealed class Placement
{
    private readonly bool[] won,
        opened,
        implied,
        estimated,
        contradicted,
        gatesMet;
    private readonly DateOnly?[] shownOn;
    private readonly int?[] impliedBy;
    private readonly bool[] beside;
    private readonly List<int>?[] befores;

    private Placement(Ladder ladder, Athletes.Schools schools)
    {
        Ladder = ladder;
        var count = ladder.Steps.Count;
        beside = [.. ladder.Steps.Select(s => s.IsBeside(schools))];
        (won, opened, implied, estimated, contradicted, gatesMet) = (
            new bool[count],
            new bool[count],
            new bool[count],
            new bool[count],
            new bool[count],
            new bool[count]
        );
        (shownOn, impliedBy, befores) = (new DateOnly?[count], new int?[count], new List<int>?[count]);
    }

    public Ladder Ladder { get; }

    /// <summary>The step in training by the rule; null: the gate of the first is unmet.</summary>
    public int? ByRule { get; private set; }

    /// <summary>The step in training: the rule's, unless the coach set another.</summary>
    public int? Training { get; private set; }

    /// <summary>The next step that is not open yet; null at the summit.</summary>
    public int? Next { get; private set; }

    /// <summary>
    /// The step in training may only be tried in short singles: the one before it is open, but not won, and goes on.
    /// </summary>
    public bool ExposureOnly { get; private set; }

    /// <summary>
    /// Places an athlete. In training is the highest step whose gates are met and whose predecessor on the path is
    /// open;
    /// preparation does not hold back. Common practice, no source.
    /// </summary>
    /// <param name="ladder">The ladder.</param>
    /// <param name="schools">In force for the athlete.</param>
    /// <param name="book">Their results.</param>
    /// <param name="coach">A step set by the coach; null: the rule decides.</param>
    public static Placement Of(Ladder ladder, Athletes.Schools schools, ResultBook book, CoachPlacement? coach = null)
    {
        var count = ladder.Steps.Count;
        var placement = new Placement(ladder, schools);
        placement.ReadResults(schools, book);
        placement.Imply(book);
        placement.OpenGates(schools, book);
        placement.Choose(book);
        placement.Training = placement.ByRule;
        if (coach is not null)
        {
            for (var i = 0; i < count; i++)
            {
                if (ladder.Steps[i].Slug == coach.Step)
                    placement.Training = i;
            }
        }

        placement.Next = placement.After(placement.Training);
        placement.ExposureOnly =
            placement.Training is { } training
            && !placement.won[training]
            && placement.Before(training) is { Count: > 0 } before
            && !before.Any(b => placement.won[b])
            && before.Any(b => placement.opened[b] && ladder.Steps[b].Exposure);
        return placement;
    }

    public bool IsWon(int step) => won[step];

    public bool IsOpen(int step) => opened[step];

    /// <summary>Won or open only because of a result on a later step.</summary>
    public bool IsImplied(int step) => implied[step];

    /// <summary>The later step whose result implies it; null: none does.</summary>
    public int? ImpliedBy(int step) => impliedBy[step];

    /// <summary>Open only by an estimate from other loads: not shown yet, and never won by it.</summary>
    public bool IsEstimated(int step) => estimated[step];

    /// <summary>A fresh test of the step fell short although a later step implies it.</summary>
    public bool IsContradicted(int step) => contradicted[step] && !opened[step];

    /// <summary>Does it stand beside the path, as preparation or by school?</summary>
    public bool IsBeside(int step) => beside[step];

    /// <summary>Are the step's own gates met?</summary>
    public bool GatesMet(int step) => gatesMet[step];

    public StepStatus StatusOf(int step) =>
        won[step] ? StepStatus.Won
        : step == Training ? StepStatus.Training
        : beside[step] ? (gatesMet[step] ? StepStatus.Support : StepStatus.Locked)
        : opened[step] ? StepStatus.Open
        : gatesMet[step] ? StepStatus.Ahead
        : StepStatus.Locked;

    /// <summary>May the step be trained by the rule?</summary>
    public bool IsReachable(int step)
    {
        if (!gatesMet[step])
            return false;
        if (beside[step])
            return true;
        // Each strength that a step asks for must be there; a ladder of one strand has one path.
        foreach (var strand in Ladder.Steps[step].Strands)
        {
            var before = Before(step, strand);
            if (before.Count > 0 && !before.Any(b => opened[b]))
                return false;
        }

        return true;
    }

    private void ReadResults(Athletes.Schools schools, ResultBook book)
    {
        // Steps of a ladder share their gates, and what wins a step is often what opens the next.
        var known = new Dictionary<GateExpression, bool>(Ladder.Steps.Count);
        bool IsOpened(GateExpression gate)
        {
            if (!known.TryGetValue(gate, out var open))
                known[gate] = open = GateRule.OpenedOn(gate, book) is not null;
            return open;
        }

        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            var step = Ladder.Steps[i];
            won[i] = IsOpened(step.Won);
            opened[i] = won[i] || IsOpened(step.Opens);
            if (opened[i])
                shownOn[i] = GateRule.LastShownOn(step.Opens, book) ?? GateRule.LastShownOn(step.Won, book);
            if (!opened[i] && GateRule.EstimatedBy(step.Opens, book) is not null)
                opened[i] = estimated[i] = true;
            gatesMet[i] = true;
            foreach (var gate in step.Gates)
            {
                if (gate.Holds(schools) && !IsOpened(gate.Gate))
                    gatesMet[i] = false;
            }
        }
    }

    /// <summary>
    /// A clean, unassisted result on a step implies the earlier steps of the strands that it shares. One that does not
    /// open the step yet was an exposure: it implies that the step before is open, and that those before it are won. A
    /// fresh failure of a step beats an implication of its day and older; one that would have won the step leaves it
    /// contradicted.
    /// </summary>
    private void Imply(ResultBook book)
    {
        for (var i = Ladder.Steps.Count - 1; i > 0; i--)
        {
            var shown = opened[i];
            var day = shown ? shownOn[i] ?? book.Day : TriedOn(i, book);
            if (day is not { } on)
                continue;
            foreach (var before in Ladder.ImpliedBy(i))
                ImplyStep(before, i, asWon: shown || !Before(i).Contains(before), on, book);
        }
    }

    private void ImplyStep(int step, int by, bool asWon, DateOnly day, ResultBook book)
    {
        if (opened[step] && (!asWon || won[step]))
            return;
        // What was shown on the step itself needs no failure to be looked for.
        if (
            shownOn[step] is null
            && GateRule.FailureOf(Ladder.Steps[step].Opens, book) is { } failure
            && failure.Day >= day
        )
        {
            // Some reps of a harder step beside an easier one that is short are no contradiction.
            contradicted[step] |= asWon;
            return;
        }

        implied[step] = true;
        impliedBy[step] ??= by;
        opened[step] = true;
        won[step] |= asWon;
    }

    /// <summary>
    /// The newest day on which a step was tried with some success. A try counts only where the step has a test that no
    /// earlier step is shown
    /// by: one pull-up is no try at ten.
    /// </summary>
    private DateOnly? TriedOn(int index, ResultBook book)
    {
        DateOnly? day = null;
        foreach (var term in Ladder.Steps[index].Opens.Terms)
        {
            for (var j = 0; j < index; j++)
            {
                if (Ladder.Steps[j].Opens.Terms.Any(t => t.Benchmark == term.Benchmark))
                    return null;
            }

            DateOnly? newest = null;
            foreach (var result in book.Array(term.Benchmark))
            {
                if (term.Target.FractionOf(result) > 0)
                    newest = result.Day;
            }

            if (newest is null)
                return null;
            day = day is null || newest < day ? newest : day;
        }

        return day;
    }

    private void Choose(ResultBook book)
    {
        // A step that its own fresh test denies is trained again, whatever a harder one says.
        for (var i = 0; i < Ladder.Steps.Count && ByRule is null; i++)
        {
            if (IsContradicted(i) && IsReachable(i))
                ByRule = i;
        }

        if (ByRule is null && FurthestBehind() is { } step)
            ByRule = Alternative(step, book);

        // Of preparation the first that is not shown yet, then the last.
        for (var i = 0; i < Ladder.Steps.Count && ByRule is null; i++)
        {
            if (!opened[i] && IsReachable(i))
                ByRule = i;
        }

        for (var i = Ladder.Steps.Count - 1; i >= 0 && ByRule is null; i--)
        {
            if (IsReachable(i))
                ByRule = i;
        }
    }

    /// <summary>A gate that asks for a step of this ladder is met by what implies the step.</summary>
    private void OpenGates(Athletes.Schools schools, ResultBook book)
    {
        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            if (!gatesMet[i])
                gatesMet[i] = Ladder
                    .Steps[i]
                    .Gates.Where(g => g.Holds(schools) && GateRule.OpenedOn(g.Gate, book) is null)
                    // What nothing implies need not be looked at threshold by threshold.
                    .All(g =>
                        g.Gate.Terms.Any(IsImplied) && GateRule.Evaluate(g.Gate, book).Unmet.All(t => IsImplied(t.Term))
                    );
        }
    }

    private bool IsImplied(GateTerm term)
    {
        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            if (implied[i] && Ladder.Steps[i].Opens.Terms.Contains(term))
                return true;
        }

        return false;
    }

    /// <summary>
    /// The highest step of each strength that may be trained; of several strengths the one that is furthest behind, and
    /// where all are through the
    /// highest of them.
    /// </summary>
    private int? FurthestBehind()
    {
        int? behind = null,
            highest = null;
        foreach (var strand in Ladder.Strands)
        {
            for (var i = Ladder.Steps.Count - 1; i >= 0; i--)
            {
                if (beside[i] || !Ladder.Steps[i].Strands.Contains(strand) || !IsReachable(i))
                    continue;
                highest = highest is null || i > highest ? i : highest;
                if (!opened[i])
                    behind = behind is null || i < behind ? i : behind;
                break;
            }
        }

        return behind ?? highest;
    }

    /// <summary>
    /// Of steps that are alternatives, the one that was tried already; without a try the first that is written.
    /// </summary>
    private int Alternative(int step, ResultBook book)
    {
        var own = Ladder.Steps[step].After;
        var alternatives = new List<int>();
        for (var i = 0; i <= step; i++)
        {
            // Steps of other strengths are no alternatives, though they branch off at the same place.
            if (
                own.Count > 0
                && !beside[i]
                && Ladder.Steps[i].After.SequenceEqual(own)
                && Ladder.Steps[i].Strands.SequenceEqual(Ladder.Steps[step].Strands)
                && IsReachable(i)
            )
                alternatives.Add(i);
        }

        if (alternatives.Count < 2)
            return step;
        foreach (var i in alternatives)
        {
            if (TriedOn(i, book) is not null || opened[i])
                return i;
        }

        return alternatives[0];
    }

    /// <summary>The steps of the path just before; preparation is stepped over.</summary>
    private List<int> Before(int step) => befores[step] ??= FindBefore(step);

    private List<int> FindBefore(int step)
    {
        var before = new List<int>();
        foreach (var i in Ladder.Steps[step].After)
        {
            if (beside[i])
                before.AddRange(Before(i));
            else
                before.Add(i);
        }

        return before;
    }

    /// <summary>The nearest steps before that show a strength.</summary>
    private List<int> Before(int step, string strand)
    {
        // A ladder of one strand has one path.
        if (Ladder.Strands.Count == 1)
            return Before(step);
        var before = new List<int>();
        foreach (var i in Ladder.Steps[step].After)
        {
            if (beside[i] || !Ladder.Steps[i].Strands.Contains(strand))
                before.AddRange(Before(i, strand));
            else
                before.Add(i);
        }

        return before;
    }

    private int? After(int? step)
    {
        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            if (beside[i])
                continue;
            var follows = step is not { } at || beside[at] ? Before(i).Count == 0 : Before(i).Contains(at);
            if (follows && i != step)
                return i;
        }

        return null;
    }
}
