namespace Cumbre.Core.Athletes;

/// <summary>When may load be hung on a pull-up? Practitioners disagree.</summary>
public enum LoadingSchool
{
    /// <summary>A broad base first: chin-ups, push-ups, rows and dips.</summary>
    BaseFirst,

    /// <summary>Reps of the pull-up itself first.</summary>
    RepFirst,
}

/// <summary>How many clean sessions earn more load?</summary>
public enum IncreaseSchool
{
    /// <summary>Two in a row (ACSM 2009).</summary>
    TwoInARow,

    /// <summary>One.</summary>
    OneCleanSession,
}

/// <summary>The schools in force for an athlete.</summary>
public sealed record Schools(LoadingSchool Loading, IncreaseSchool Increase)
{
    public static Schools Default { get; } = new(LoadingSchool.BaseFirst, IncreaseSchool.TwoInARow);

    /// <summary>Clean sessions in a row that earn an increase.</summary>
    public int CleanSessionsNeeded => Increase == IncreaseSchool.OneCleanSession ? 1 : 2;
}
