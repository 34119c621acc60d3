namespace Cumbre.Core.Lexing;

public enum TokenKind
{
    Number,
    Word,
    Times,
    At,
    Plus,
    Minus,
    Slash,
    Comma,
    Percent,
    Colon,
    Range,
    AtLeast,
    Open,
    Close,
    Degrees,
    Unknown,
    End,
}

/// <summary>A piece of what was typed: where it stands, and what it is.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Start">Position of its first character, from 0.</param>
/// <param name="Length">Characters; 0 for the end of the line.</param>
/// <param name="Text">In lower case.</param>
/// <param name="Number">The value of a number, else 0.</param>
/// <param name="IsWhole">True for a number written without a decimal mark.</param>
public readonly record struct Token(
    TokenKind Kind,
    int Start,
    int Length,
    string Text,
    decimal Number = 0,
    bool IsWhole = false
);
