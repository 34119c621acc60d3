namespace Cumbre.Storage;

/// <summary>What was read, of whom, at which state of their log, for which day.</summary>
public sealed record ReadingKey(Type Type, Guid AthleteId, long Seq, DateOnly Day);

/// <summary>The readings of the athletes that were asked for last; older ones are let go.</summary>
/// <param name="most">Of so many.</param>
public sealed class ReadingCache(int most = ReadingCache.Usual)
{
    private const int Usual = 480;

    private readonly Lock gate = new();
    private readonly Dictionary<(Type, Guid, DateOnly), (ReadingKey Key, object Value)> kept = [];
    private readonly Queue<(Type, Guid, DateOnly)> order = new();

    public T? Find<T>(ReadingKey key)
        where T : class
    {
        lock (gate)
            return kept.TryGetValue(PlaceOf(key), out var found) && found.Key == key ? (T)found.Value : null;
    }

    public void Keep(ReadingKey key, object value)
    {
        lock (gate)
        {
            var place = PlaceOf(key);
            if (!kept.ContainsKey(place))
                order.Enqueue(place);
            kept[place] = (key, value);
            while (kept.Count > most)
                kept.Remove(order.Dequeue());
        }
    }

    public void Clear()
    {
        lock (gate)
        {
            kept.Clear();
            order.Clear();
        }
    }

    /// <summary>Gives another cache what this one keeps.</summary>
    public void GiveTo(ReadingCache other)
    {
        lock (gate)
            foreach (var (key, value) in kept.Values)
                other.Keep(key, value);
    }

    private static (Type, Guid, DateOnly) PlaceOf(ReadingKey key) => (key.Type, key.AthleteId, key.Day);
}
