namespace Cumbre.Core.Measures;

/// <summary>
/// What is worked out of a record once. A changed copy works it out anew, and two records are equal whether it was
/// worked out or not.
/// </summary>
internal struct Memo<T> : IEquatable<Memo<T>>
{
    private Known? known;

    private sealed record Known(object Owner, T Value);

    public T Of<TOwner>(TOwner owner, Func<TOwner, T> make)
        where TOwner : class
    {
        if (known is not { } found || !ReferenceEquals(found.Owner, owner))
            known = found = new(owner, make(owner));
        return found.Value;
    }

    public readonly bool Equals(Memo<T> other) => true;

    public override readonly bool Equals(object? obj) => obj is Memo<T>;

    public override readonly int GetHashCode() => 0;
}
