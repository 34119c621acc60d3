using Cumbre.Core.Sessions;

namespace Cumbre.Storage.Sessions;

/// <summary>
/// What was done in a session, as it was read at a version of it and a number of logged sets. A session that has sets is
/// never deleted and its sets are only added, so that both figures tell whether it still is so.
/// </summary>
internal sealed record SessionExposures(long Version, long Sets, IReadOnlyList<Exposure> Exposures);
