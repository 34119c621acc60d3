using Cumbre.Core.Explanations;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>How a plan goes on.</summary>
/// <param name="Kind">In what it changes.</param>
/// <param name="Next">The plan then.</param>
/// <param name="Cause">Why now.</param>
/// <param name="Why">The reasons so far.</param>
internal sealed record Growth(ProposalKind Kind, MovementDose? Next, ProposalCause Cause, ExplanationBuilder Why)
{
    /// <summary>Stands in the session before the item.</summary>
    public MovementDose? First { get; init; }
}
