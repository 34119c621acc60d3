namespace Cumbre.Core.Lexing;

/// <summary>How far a word is from another, in slips of the keyboard.</summary>
public static class Slips
{
    /// <summary>
    /// Letters put in, left out, changed or exchanged with their neighbour: the optimal string alignment distance
    /// (Damerau 1964; the recurrence from memory).
    /// </summary>
    public static int Between(string a, string b)
    {
        var rows = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++)
            rows[i, 0] = i;
        for (var j = 0; j <= b.Length; j++)
            rows[0, j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            for (var j = 1; j <= b.Length; j++)
            {
                var change = a[i - 1] == b[j - 1] ? 0 : 1;
                var least = Math.Min(Math.Min(rows[i - 1, j] + 1, rows[i, j - 1] + 1), rows[i - 1, j - 1] + change);
                rows[i, j] =
                    i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]
                        ? Math.Min(least, rows[i - 2, j - 2] + 1)
                        : least;
            }
        }

        return rows[a.Length, b.Length];
    }
}
