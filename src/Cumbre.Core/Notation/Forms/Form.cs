using System.Globalization;
using System.Text;
using Cumbre.Core.Lexing;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation.Forms;

/// <summary>How one method, or a family of them, is written: its word, how it is read and how it is printed.</summary>
internal abstract class Form
{
    /// <summary>The word that opens it, or that stands after the number of sets; null: reps alone.</summary>
    public abstract string? Word { get; }

    /// <summary>May the word open a line? Then one set is meant where it counts sets.</summary>
    public virtual bool Leads => true;

    /// <summary>May the number of sets stand before the word?</summary>
    public virtual bool IsCounted => false;

    /// <summary>Reads what follows the word.</summary>
    /// <param name="cursor">Behind the word.</param>
    /// <param name="sets">As read before it.</param>
    public abstract Prescription? Parse(Cursor cursor, int sets);

    /// <summary>Prints the head of a plan of this form; false: it is of another form.</summary>
    public abstract bool Head(StringBuilder line, Prescription plan);

    protected static CultureInfo I => CultureInfo.InvariantCulture;
}

/// <summary>All forms.</summary>
internal static class FormTable
{
    public static RepsForm Reps { get; } = new();

    public static IReadOnlyList<Form> All { get; } =
    [
        Reps,
        new TopForm(),
        new DropForm(),
        new RestPauseForm(),
        new ClusterForm(),
        new ClockForm(),
        new PyramidForm(),
        new NegativeForm(),
        new HoldForm(),
        new VariedForm(),
        new MaxForm(),
        new PracticeForm(),
    ];

    public static Form? Leading(Token token) =>
        token.Kind == TokenKind.Word ? All.FirstOrDefault(f => f.Leads && f.Word == token.Text) : null;

    public static Form? Counted(Token token) =>
        token.Kind == TokenKind.Word ? All.FirstOrDefault(f => f.IsCounted && f.Word == token.Text) : null;
}
