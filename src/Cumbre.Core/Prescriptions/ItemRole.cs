namespace Cumbre.Core.Prescriptions;

/// <summary>The part that an item plays: a decision about a movement changes the items of the same role.</summary>
public enum ItemRole
{
    /// <summary>The skill on its hard day.</summary>
    Hard,

    /// <summary>The same on its light day.</summary>
    Light,

    /// <summary>What keeps a skill that is not advanced.</summary>
    Kept,
    Main,
    Second,

    /// <summary>Work for what holds a goal back.</summary>
    Limiting,

    /// <summary>Isolation, trunk, legs.</summary>
    Support,

    /// <summary>A few sets near the maximum, or below the zone on purpose.</summary>
    Practice,

    /// <summary>Warm-up, mobility, protective work: it goes on and never grows.</summary>
    Preparation,

    /// <summary>It finds the level; its next sessions are dosed from what was shown.</summary>
    LevelFinding,
    Retest,
}
