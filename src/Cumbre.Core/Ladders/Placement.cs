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
/// Where an athlete stands on a ladder, as positions of its steps: the bare rule, cheap enough for a whole club at once.
/// <see cref="PlacementReport"/> tells it with its reasons.
/// </summary>
public sealed class Placement
{
    private readonly bool[] won, opened, implied, gatesMet;

    private Placement(Ladder ladder, bool[] won, bool[] opened, bool[] implied, bool[] gatesMet)
    {
        Ladder = ladder;
        this.won = won;
        this.opened = opened;
        this.implied = implied;
        this.gatesMet = gatesMet;
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
    /// Places an athlete. In training is the highest step whose gates are met and whose predecessor on the path is open;
    /// preparation does not hold back. Common practice, no source.
    /// </summary>
    /// <param name="ladder">The ladder.</param>
    /// <param name="schools">In force for the athlete.</param>
    /// <param name="book">Their results.</param>
    /// <param name="coach">A step set by the coach; null: the rule decides.</param>
    public static Placement Of(Ladder ladder, Athletes.Schools schools, ResultBook book, CoachPlacement? coach = null)
    {
        var count = ladder.Steps.Count;
        var placement = new Placement(ladder, new bool[count], new bool[count], new bool[count], new bool[count]);
        placement.ReadResults(schools, book);
        placement.Imply(book);
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
        placement.ExposureOnly = placement.Training is { } training && !placement.won[training] && placement.Before(training) is { Count: > 0 } before
            && !before.Any(b => placement.won[b]) && before.Any(b => placement.opened[b] && ladder.Steps[b].Exposure);
        return placement;
    }

    public bool IsWon(int step) => won[step];

    public bool IsOpen(int step) => opened[step];

    /// <summary>Won or open only because of a result on a later step.</summary>
    public bool IsImplied(int step) => implied[step];

    /// <summary>Are the step's own gates met?</summary>
    public bool GatesMet(int step) => gatesMet[step];

    public StepStatus StatusOf(int step) =>
        won[step] ? StepStatus.Won
        : step == Training ? StepStatus.Training
        : Ladder.Steps[step].Preparation ? (gatesMet[step] ? StepStatus.Support : StepStatus.Locked)
        : opened[step] ? StepStatus.Open
        : gatesMet[step] ? StepStatus.Ahead
        : StepStatus.Locked;

    /// <summary>May the step be trained by the rule?</summary>
    public bool IsReachable(int step)
    {
        if (!gatesMet[step])
            return false;
        if (Ladder.Steps[step].Preparation)
            return true;
        var before = Before(step);
        return before.Count == 0 || before.Any(b => opened[b]);
    }

    private void ReadResults(Athletes.Schools schools, ResultBook book)
    {
        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            var step = Ladder.Steps[i];
            won[i] = GateRule.OpenedOn(step.Won, book) is not null;
            opened[i] = won[i] || GateRule.OpenedOn(step.Opens, book) is not null;
            gatesMet[i] = true;
            foreach (var gate in step.Gates)
            {
                if (gate.Holds(schools) && GateRule.OpenedOn(gate.Gate, book) is null)
                    gatesMet[i] = false;
            }
        }
    }

    /// <summary>
    /// A clean result on a step implies the earlier steps of its path. One that does not open the step yet was an exposure: it
    /// implies that the step before is open, and that those before it are won.
    /// </summary>
    private void Imply(ResultBook book)
    {
        for (var i = Ladder.Steps.Count - 1; i > 0; i--)
        {
            var step = Ladder.Steps[i];
            if (step.Preparation || (!opened[i] && !IsTried(i, book)))
                continue;
            foreach (var before in Before(i))
            {
                ImplyStep(before, asWon: opened[i]);
                foreach (var earlier in Before(before))
                    ImplyStep(earlier, asWon: true);
            }
        }
    }

    private void ImplyStep(int step, bool asWon)
    {
        if (!opened[step] || (asWon && !won[step]))
            implied[step] = true;
        opened[step] = true;
        won[step] |= asWon;
    }

    /// <summary>A try counts only where the step has a test that no earlier step is shown by: one pull-up is no try at ten.</summary>
    private bool IsTried(int index, ResultBook book)
    {
        foreach (var term in Ladder.Steps[index].Opens.Terms)
        {
            if (!book.Has(term.Benchmark))
                return false;
            for (var j = 0; j < index; j++)
            {
                if (Ladder.Steps[j].Opens.Terms.Any(t => t.Benchmark == term.Benchmark))
                    return false;
            }
        }

        return true;
    }

    private void Choose(ResultBook book)
    {
        for (var i = Ladder.Steps.Count - 1; i >= 0 && ByRule is null; i--)
        {
            if (!Ladder.Steps[i].Preparation && IsReachable(i))
                ByRule = Alternative(i, book);
        }

        for (var i = Ladder.Steps.Count - 1; i >= 0 && ByRule is null; i--)
        {
            if (IsReachable(i))
                ByRule = i;
        }
    }

    /// <summary>Of steps that are alternatives, the one that was tried already; without a try the first that is written.</summary>
    private int Alternative(int step, ResultBook book)
    {
        var own = Ladder.Steps[step].After;
        var alternatives = new List<int>();
        for (var i = 0; i <= step; i++)
        {
            if (own.Count > 0 && Ladder.Steps[i].After.SequenceEqual(own) && IsReachable(i))
                alternatives.Add(i);
        }

        if (alternatives.Count < 2)
            return step;
        foreach (var i in alternatives)
        {
            if (Ladder.Steps[i].Opens.Terms.All(t => book.Has(t.Benchmark)))
                return i;
        }

        return alternatives[0];
    }

    /// <summary>The steps of the path just before; preparation is stepped over.</summary>
    private List<int> Before(int step)
    {
        var before = new List<int>();
        foreach (var i in Ladder.Steps[step].After)
        {
            if (Ladder.Steps[i].Preparation)
                before.AddRange(Before(i));
            else
                before.Add(i);
        }

        return before;
    }

    private int? After(int? step)
    {
        for (var i = 0; i < Ladder.Steps.Count; i++)
        {
            if (Ladder.Steps[i].Preparation)
                continue;
            var follows = step is not { } at || Ladder.Steps[at].Preparation ? Before(i).Count == 0 : Before(i).Contains(at);
            if (follows && i != step)
                return i;
        }

        return null;
    }
}
