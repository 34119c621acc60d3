using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>
/// A line as it is written for one athlete: a load without a unit is in the unit that coach and athlete share, and a
/// band that is called by its name is the one of the athlete's kit.
/// </summary>
/// <param name="Athlete">Whose it is.</param>
/// <param name="Coach">In which unit the coach writes.</param>
public sealed record OwnLine(AthleteAtWork Athlete, MassUnit Coach)
{
    /// <summary>Null: they differ, and what has no unit is asked.</summary>
    public MassUnit? Unit => Coach == Athlete.Athlete.Unit ? Coach : null;

    public NotationResult Read(string text)
    {
        var read = NearestLines.Beside(NotationParser.Parse(text, Unit), text, Unit);
        return read.Plan is { } plan ? read with { Plan = Of(plan) } : read;
    }

    public WrittenLine Of(WrittenLine line)
    {
        var read = line.Unread is { } text ? WrittenLine.Typed(text, Unit) : line;
        return read.Plan is { Load: NamedBand } named ? WrittenLine.Of(Of(named)) : read;
    }

    public Block Of(Block block) =>
        block with
        {
            Weeks = [.. block.Weeks.Select(w => w with { Sessions = [.. w.Sessions.Select(Of)] })],
        };

    private BlockSession Of(BlockSession session) =>
        session.Items.Any(i => i.Written is { Unread: not null } or { Plan.Load: NamedBand })
            ? session with
            {
                Items = [.. session.Items.Select(i => i with { Written = Of(i.Written) })],
            }
            : session;

    /// <summary>The one band that has the word in its name; a line that none or several answer stays as it is.</summary>
    private Prescription Of(Prescription plan) =>
        plan.Load is NamedBand { Name: var name }
        && Athlete.Gear.Bands.Where(b => Words(b.Name).Contains(name)).ToArray() is [var band]
            ? plan with
            {
                Load = new BandHelp(Rounded(MassEntry.Of(band.Help(Athlete.Today).Value, Athlete.Athlete.Unit))),
            }
            : plan;

    private static MassEntry Rounded(MassEntry help) => help with { Value = Math.Round(help.Value, 1) };

    private static string[] Words(string name) =>
        name.ToLowerInvariant().Split([' ', '-', ',', '(', ')'], StringSplitOptions.RemoveEmptyEntries);
}
