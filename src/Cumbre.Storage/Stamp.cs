namespace Cumbre.Storage;

/// <summary>Who wrote, and when.</summary>
public sealed record Stamp(DateTimeOffset At, Guid By);

/// <summary>What became of a write of a versioned row.</summary>
public enum Written
{
    Done,

    /// <summary>The row has a newer version: read it and offer both.</summary>
    Stale,

    /// <summary>There is no such row, or it belongs to another.</summary>
    Missing,
}
