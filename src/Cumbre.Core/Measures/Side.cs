namespace Cumbre.Core.Measures;

/// <summary>The side that a one-sided movement was done on; in a flag, that of the lower hand.</summary>
public enum Side
{
    Left,
    Right,
}
