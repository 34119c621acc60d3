namespace Cumbre.Storage;

/// <summary>What was read, of whom, at which state of their log, for which day.</summary>
public sealed record ReadingKey(Type Type, Guid AthleteId, long Seq, DateOnly Day);

/// <summary>
/// The readings of the athletes that were asked for last; of each athlete and day those of one state alone, as one
/// reading holds on to what it was made of.
/// </summary>
/// <param name="most">Of so many athletes and days.</param>
public sealed class ReadingCache(int most = ReadingCache.Usual)
{
    private const int Usual = 64;

    private readonly Lock gate = new();
    private readonly Dictionary<(Guid, DateOnly), LinkedListNode<Readings>> kept = [];

    /// <summary>Asked for last, first.</summary>
    private readonly LinkedList<Readings> order = [];

    private sealed record Readings((Guid, DateOnly) Place, long Seq)
    {
        public Dictionary<Type, object> Values { get; } = [];
    }

    public T? Find<T>(ReadingKey key)
        where T : class
    {
        lock (gate)
        {
            if (!kept.TryGetValue(PlaceOf(key), out var node) || node.Value.Seq != key.Seq)
                return null;
            order.Remove(node);
            order.AddFirst(node);
            return (T?)node.Value.Values.GetValueOrDefault(key.Type);
        }
    }

    public void Keep(ReadingKey key, object value)
    {
        lock (gate)
        {
            var place = PlaceOf(key);
            if (kept.TryGetValue(place, out var node) && node.Value.Seq != key.Seq)
            {
                order.Remove(node);
                node = null;
            }

            node ??= kept[place] = order.AddFirst(new Readings(place, key.Seq));
            node.Value.Values[key.Type] = value;
            if (kept.Count <= most)
                return;
            kept.Remove(order.Last!.Value.Place);
            order.RemoveLast();
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
            foreach (var readings in order.Reverse())
            foreach (var (type, value) in readings.Values)
                other.Keep(new(type, readings.Place.Item1, readings.Seq, readings.Place.Item2), value);
    }

    private static (Guid, DateOnly) PlaceOf(ReadingKey key) => (key.AthleteId, key.Day);
}
