namespace Cumbre.Core.Measures;

/// <summary>
/// The plausible ranges of what is entered. All are this project's choice: wide enough for any athlete, narrow enough
/// to
/// catch a slip of the finger.
/// </summary>
public static class Limits
{
    /// <summary>Body mass in kg.</summary>
    public const decimal BodyMassMinimum = 25,
        BodyMassMaximum = 250;

    /// <summary>Added load in kg, and assistance below zero.</summary>
    public const decimal AddedLoadMinimum = -150,
        AddedLoadMaximum = 200;

    /// <summary>Repetitions in one set.</summary>
    public const int RepsMinimum = 1,
        RepsMaximum = 200;

    /// <summary>Stature in cm.</summary>
    public const decimal StatureMinimum = 100,
        StatureMaximum = 250;

    /// <summary>Length of an arm, trunk, thigh or shank in cm.</summary>
    public const decimal LimbMinimum = 15,
        LimbMaximum = 120;

    /// <summary>Seconds of a hold or a descent that is asked.</summary>
    public const decimal SecondsMinimum = 0.5m,
        SecondsMaximum = 3600;

    /// <summary>What was done may be nothing: zero reps and zero seconds are results.</summary>
    public const int Nothing = 0;

    /// <summary>Degrees of a joint's range.</summary>
    public const decimal DegreesMinimum = 1,
        DegreesMaximum = 220;

    /// <summary>Sets of one item.</summary>
    public const int SetsMinimum = 1,
        SetsMaximum = 20;

    /// <summary>Repetitions in reserve.</summary>
    public const int ReserveMinimum = 0,
        ReserveMaximum = 10;

    /// <summary>
    /// Seconds of one phase of a tempo; a single descent of up to 30 s is the longest that is trained.
    /// </summary>
    public const int TempoPhaseMaximum = 30;

    /// <summary>Seconds of rest.</summary>
    public const int RestMaximum = 1800;

    /// <summary>Pain on the 11-point scale.</summary>
    public const int PainMinimum = 0,
        PainMaximum = 10;

    /// <summary>Mass of one plate in kg.</summary>
    public const decimal PlateMinimum = 0.1m,
        PlateMaximum = 50;

    /// <summary>Plates of one size, and different sizes in one kit.</summary>
    public const int PlateCountMinimum = 1,
        PlateCountMaximum = 20,
        PlateSizesMaximum = 12;

    /// <summary>A vest in kg.</summary>
    public const decimal VestMinimum = 0.5m,
        VestMaximum = 60;
}
