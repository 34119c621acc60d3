namespace Cumbre.Core.Measures;

/// <summary>Which table of body proportions fits; neither is a null <c>Sex?</c>.</summary>
public enum Sex
{
    Male,
    Female,
}
