namespace Cumbre.Core.Movements;

/// <summary>A sign that stops at any level of pain.</summary>
public enum StopSign
{
    Pop,
    Numbness,
    Tingling,
    Swelling,
    NightPain,
}
