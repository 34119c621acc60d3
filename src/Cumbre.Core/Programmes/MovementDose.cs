using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>A movement with a plan.</summary>
public sealed record MovementDose(string Movement, Prescription Plan);
