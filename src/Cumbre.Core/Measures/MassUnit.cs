namespace Cumbre.Core.Measures;

/// <summary>The unit in which a person reads and writes masses.</summary>
public enum MassUnit
{
    Kg,
    Lb,
}
