namespace Cumbre.Server.Hosting;

/// <summary>
/// What the server has to say to a person: a key of the interface's catalogue of server messages with the values of its
/// placeholders. The text stands in the catalogue, so that it can be read in one sitting and translated.
/// </summary>
/// <param name="Code">A key of the catalogue; stable, so that programs can tell one message from another.</param>
/// <param name="Args">By the name of the placeholder: a text, a number, or a day as yyyy-MM-dd.</param>
public sealed record Message(string Code, IReadOnlyDictionary<string, object> Args)
{
    private static readonly Dictionary<string, object> None = [];

    /// <summary>A message without placeholders.</summary>
    public static Message Plain(string code) => new(code, None);
}
