using System.Text;

namespace Cumbre.Sheets;

/// <summary>Opens text whose encoding nobody wrote down.</summary>
internal static class TextOf
{
    private const int Looked = 4096;

    /// <summary>
    /// By its mark; without one as UTF-16 where every second byte is nothing, else as UTF-8, in which single bytes that
    /// are none are read as Windows-1252: old and new lines of one file are both right.
    /// </summary>
    public static StreamReader Open(string path)
    {
        var start = new byte[Looked];
        int length;
        using (var file = File.OpenRead(path))
            length = file.ReadAtLeast(start, Looked, throwOnEndOfStream: false);
        return new(path, Guess(start.AsSpan(0, length)), detectEncodingFromByteOrderMarks: true);
    }

    private static Encoding Guess(ReadOnlySpan<byte> start)
    {
        int even = 0,
            odd = 0;
        for (var i = 0; i < start.Length; i++)
        {
            if (start[i] == 0)
                (even, odd) = i % 2 == 0 ? (even + 1, odd) : (even, odd + 1);
        }

        var many = start.Length / 4;
        return odd > many && even < many / 4 ? Encoding.Unicode
            : even > many && odd < many / 4 ? Encoding.BigEndianUnicode
            : Encoding.GetEncoding("utf-8", EncoderFallback.ReplacementFallback, new OldBytes());
    }

    /// <summary>The characters of 0x80 to 0x9F in Windows-1252; the five that have none stay as they are.</summary>
    private const string High = "€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008DŽ\u008F\u0090‘’“”•–—˜™š›œ\u009DžŸ";

    private sealed class OldBytes : DecoderFallback
    {
        public override int MaxCharCount => 4;

        public override DecoderFallbackBuffer CreateFallbackBuffer() => new Buffer();
    }

    private sealed class Buffer : DecoderFallbackBuffer
    {
        private string characters = "";
        private int next;

        public override int Remaining => characters.Length - next;

        public override bool Fallback(byte[] bytesUnknown, int index)
        {
            characters = string.Concat(bytesUnknown.Select(b => b is >= 0x80 and <= 0x9F ? High[b - 0x80] : (char)b));
            next = 0;
            return characters.Length > 0;
        }

        public override char GetNextChar() => next < characters.Length ? characters[next++] : '\0';

        public override bool MovePrevious()
        {
            if (next == 0)
                return false;
            next--;
            return true;
        }

        public override void Reset() => (characters, next) = ("", 0);
    }
}
