using Cumbre.Server.Hosting;

namespace Cumbre.Server.Accounts;

/// <summary>
/// What the first start of an empty club asks for: it is printed where the server was started, so that whoever reaches
/// the address first does not own the club. Another one with each start.
/// </summary>
internal sealed class SetupCode(CumbreOptions options)
{
    private const int Characters = 8;

    public string Text { get; } = options.SetupCode ?? Tokens.NewReadable(Characters);

    public bool Is(string typed) => Tokens.AreSame(typed, Text);
}
