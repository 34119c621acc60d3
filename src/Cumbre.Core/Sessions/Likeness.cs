using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Sessions;

/// <summary>Why an exposure says nothing beside another one of its movement.</summary>
public enum Unlike
{
    /// <summary>Done in a deload.</summary>
    Deload,

    /// <summary>Eased for pain, cut short, or done in the place of another.</summary>
    Eased,

    /// <summary>The line asked something else of a set.</summary>
    Line,

    /// <summary>The heaviest load was another.</summary>
    Load,

    /// <summary>Both tell a part of the set-up, and tell it differently.</summary>
    SetUp,
}

/// <summary>An exposure beside a later one of the same movement.</summary>
/// <param name="Unlike">Why it is not compared; empty: it is.</param>
/// <param name="Parts">Of the set-up, those that differ.</param>
public sealed record Likeness(IReadOnlyList<Unlike> Unlike, IReadOnlyList<string> Parts)
{
    public bool Holds => Unlike.Count == 0;

    /// <param name="older">The one in question.</param>
    /// <param name="newest">That it is held against: neither eased nor of a deload.</param>
    public static Likeness Of(Exposure older, Exposure newest)
    {
        var parts = older.SetUp.DifferencesTo(newest.SetUp);
        var isLoadLike = older.TopLoad.Mass == newest.TopLoad.Mass;
        var found = new List<Unlike>();
        void If(bool differs, Unlike reason)
        {
            if (differs)
                found.Add(reason);
        }
        If(older.Easy, Sessions.Unlike.Deload);
        If(older.Eased, Sessions.Unlike.Eased);
        // A line that asks another load, which was also moved, is told by that alone.
        If(
            isLoadLike
                ? !Adjust.IsSameDose(older.Plan, newest.Plan)
                : !Adjust.IsSameDose(older.Plan with { Load = null }, newest.Plan with { Load = null }),
            Sessions.Unlike.Line
        );
        If(!isLoadLike, Sessions.Unlike.Load);
        If(parts.Count > 0, Sessions.Unlike.SetUp);
        return new(found, parts);
    }
}
