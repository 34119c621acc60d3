namespace Cumbre.Server.Athletes;

/// <summary>Who trains only after clearance by a licensed professional.</summary>
internal static class Clearance
{
    private const int Adult = 18, Senior = 60;

    /// <summary>Under 18 or over 60, and not cleared yet; an unknown age asks nothing.</summary>
    public static bool Needed(int? age, bool cleared) => !cleared && age is < Adult or > Senior && !cleared;
}
