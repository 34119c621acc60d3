using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Sessions;

/// <summary>
/// Exercises in turn that are done in rounds (common practice, no source). Two are a pair, which only saves time, and a
/// drill between the sets is no exercise.
/// </summary>
public static class Circuit
{
    /// <summary>So few exercises in turn are a circuit.</summary>
    public const int LeastExercises = 3;

    /// <summary>Which items of a session belong to circuits, in their order.</summary>
    /// <param name="items">Whether each is done in turn with the one before, and its role.</param>
    public static IReadOnlyList<bool> Of(IReadOnlyList<(bool Joined, ItemRole? Role)> items)
    {
        var found = new bool[items.Count];
        for (int first = 0, end; first < items.Count; first = end)
        {
            for (end = first + 1; end < items.Count && items[end].Joined; )
                end++;
            int[] exercises =
            [
                .. Enumerable.Range(first, end - first).Where(i => items[i].Role != ItemRole.Preparation),
            ];
            if (exercises.Length < LeastExercises)
                continue;
            foreach (var i in exercises)
                found[i] = true;
        }

        return found;
    }
}
