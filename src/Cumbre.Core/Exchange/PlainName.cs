using System.Text;

namespace Cumbre.Core.Exchange;

/// <summary>A name without what people write differently.</summary>
public static class PlainName
{
    /// <summary>What is left of a name that everybody writes the same way.</summary>
    public static string Of(string name)
    {
        var letters = new StringBuilder(name.Length);
        foreach (var c in Unaccented(name))
        {
            if (char.IsLetterOrDigit(c))
                letters.Append(char.ToLowerInvariant(c));
            else if (c is not '\'' and not '’' && letters.Length > 0 && letters[^1] != ' ')
                letters.Append(' ');
        }

        return string.Join(' ', letters.ToString().Split(' ', StringSplitOptions.RemoveEmptyEntries).SelectMany(Word));
    }

    private static string Unaccented(string name) =>
        name.All(char.IsAscii) ? name : string.Concat(name.Select(c => Letters.GetValueOrDefault(c) ?? $"{c}"));

    /// <summary>The letters of Latin-1 and Latin Extended-A by what they are written as without their marks.</summary>
    private static readonly Dictionary<char, string> Letters = new (string Plain, string Marked)[]
    {
        ("a", "àáâãäåāăąÀÁÂÃÄÅĀĂĄ"),
        ("c", "çćĉċčÇĆĈĊČ"),
        ("d", "ďđĎĐð"),
        ("e", "èéêëēĕėęěÈÉÊËĒĔĖĘĚ"),
        ("g", "ĝğġģĜĞĠĢ"),
        ("h", "ĥħĤĦ"),
        ("i", "ìíîïĩīĭįıÌÍÎÏĨĪĬĮİ"),
        ("j", "ĵĴ"),
        ("k", "ķĶ"),
        ("l", "ĺļľŀłĹĻĽĿŁ"),
        ("n", "ñńņňÑŃŅŇ"),
        ("o", "òóôõöøōŏőÒÓÔÕÖØŌŎŐ"),
        ("r", "ŕŗřŔŖŘ"),
        ("s", "śŝşšŚŜŞŠ"),
        ("t", "ţťŧŢŤŦ"),
        ("u", "ùúûüũūŭůűųÙÚÛÜŨŪŬŮŰŲ"),
        ("w", "ŵŴ"),
        ("y", "ýÿŷÝŶŸ"),
        ("z", "źżžŹŻŽ"),
        ("ss", "ß"),
        ("ae", "æÆ"),
        ("oe", "œŒ"),
    }
        .SelectMany(l => l.Marked.Select(c => (c, l.Plain)))
        .ToDictionary(l => l.c, l => l.Plain);

    private static string[] Word(string word) =>
        Short.TryGetValue(word, out var whole) ? whole
        : word.Length > 3 && word[^1] == 's' && word[^2] != 's' ? [word[..^1]]
        : [word];

    /// <summary>Common practice, no source.</summary>
    private static readonly Dictionary<string, string[]> Short = new(StringComparer.Ordinal)
    {
        ["pullup"] = ["pull", "up"],
        ["pullups"] = ["pull", "up"],
        ["chinup"] = ["chin", "up"],
        ["chinups"] = ["chin", "up"],
        ["pushup"] = ["push", "up"],
        ["pushups"] = ["push", "up"],
        ["muscleup"] = ["muscle", "up"],
        ["muscleups"] = ["muscle", "up"],
        ["ups"] = ["up"],
        ["abs"] = ["ab"],
        ["mu"] = ["muscle", "up"],
        ["fl"] = ["front", "lever"],
        ["bl"] = ["back", "lever"],
        ["adv"] = ["advanced"],
        ["hs"] = ["handstand"],
        ["hspu"] = ["handstand", "push", "up"],
        ["wtd"] = ["weighted"],
    };
}
