namespace Cumbre.Core.Lexing;

/// <summary>Walks over the tokens of a line, a gate or a cell.</summary>
/// <param name="tokens">As <see cref="Lexer"/> cuts them, the end among them.</param>
internal class TokenReader(IReadOnlyList<Token> tokens)
{
    private int next;

    public Token Current => tokens[next];

    public Token Previous => tokens[next - 1];

    /// <summary>The token after the current one.</summary>
    public Token Following => tokens[Math.Min(next + 1, tokens.Count - 1)];

    public bool AtEnd => Current.Kind == TokenKind.End;

    public void Skip() => next++;

    public bool Is(string word) => Current.Kind == TokenKind.Word && Current.Text == word;

    /// <summary>Does a token of the kind follow somewhere before the next word that is no unit?</summary>
    public bool Ahead(TokenKind kind) =>
        tokens
            .Skip(next + 1)
            .TakeWhile(t => t.Kind != TokenKind.Word || t.Text is "kg" or "lb" or "lbs")
            .Any(t => t.Kind == kind);

    public virtual bool Take(TokenKind kind)
    {
        if (Current.Kind != kind)
            return false;
        next++;
        return true;
    }

    public virtual bool Take(string word)
    {
        if (!Is(word))
            return false;
        next++;
        return true;
    }

    /// <summary>The seconds of a clock, after its colon; null: no two digits below sixty stand here.</summary>
    public int? TwoDigitSeconds()
    {
        if (Current is not { Kind: TokenKind.Number, IsWhole: true, Length: 2, Number: < 60 } seconds)
            return null;
        next++;
        return (int)seconds.Number;
    }

    /// <summary>From a token to the one read last.</summary>
    public Token Span(Token first) => first with { Length = Previous.Start + Previous.Length - first.Start };
}
