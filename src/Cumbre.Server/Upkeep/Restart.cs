namespace Cumbre.Server.Upkeep;

/// <summary>The server begins anew in the same process, for what only a start can do.</summary>
/// <param name="lifetime">Of the server.</param>
/// <param name="beginsAgain">False: it ends, and whoever started it starts it again.</param>
internal sealed class Restart(IHostApplicationLifetime lifetime, bool beginsAgain = true)
{
    public bool IsAsked { get; private set; }

    /// <summary>After the answer that is under way.</summary>
    public void Ask()
    {
        IsAsked = beginsAgain;
        lifetime.StopApplication();
    }
}
