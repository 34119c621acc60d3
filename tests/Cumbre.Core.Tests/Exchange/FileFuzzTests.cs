using System.Globalization;
using System.IO.Compression;
using System.Text;
using Cumbre.Core.Exchange;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Sheets;
using static Cumbre.Tests.TableFiles;

namespace Cumbre.Core.Tests.Exchange;

/// <summary>
/// Tables that are damaged by chance, as bytes and inside their packed parts: each is read or refused in words, and
/// none ends otherwise. <c>scripts/fuzz</c> runs more of them.
/// </summary>
public sealed class FileFuzzTests : IDisposable
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static readonly ImportTerms Terms = new(
        Catalogue.Shipped,
        [new(new Guid("00000000-0000-0000-0000-00000000000a"), "Ada Lind", 1999)]
    );

    /// <summary>What tables are made of, and what breaks them.</summary>
    private static readonly string[] Tokens =
    [
        "\"",
        "\"\"",
        ";",
        ",",
        "\t",
        "\r\n",
        "\n",
        "\0",
        "\uFEFF",
        "3x5 @ 10 kg",
        "9999-12-31",
        "31/02/2026",
        "1e309",
        "-1",
        "2958466",
        "NaN",
        "<",
        ">",
        "&#0;",
        "&#xD800;",
        "</row>",
        "<row r=\"0\">",
        "<c r=\"ZZZ1\">",
        "<c r=\"\" t=\"s\"><v>99999</v></c>",
        " t=\"s\"",
        " s=\"-1\"",
        "table:number-columns-repeated=\"2147483647\"",
        "table:number-rows-repeated=\"-3\"",
        "office:value=\"\"",
        "office:date-value=\"0000-00-00\"",
        "<!DOCTYPE a [<!ENTITY b SYSTEM \"file:///etc/hostname\">]>",
        "عضلات",
        "\uD83D\uDCAA",
    ];

    private readonly string path = Path.GetTempFileName();

    public void Dispose() => File.Delete(path);

    private static int Count =>
        int.TryParse(Environment.GetEnvironmentVariable("CUMBRE_FUZZ"), CultureInfo.InvariantCulture, out var count)
            ? count
            : 300;

    private static readonly Page[] Pages =
    [
        new(
            "Log",
            [
                ["Athlete", "Date", "Exercise", "Done", "RIR", "Rest", "Bodyweight"],
                ["Ada Lind", new DateOnly(2026, 1, 12), "Pull-up", "12.5 kg x 5,5,4", 2, new TimeSpan(0, 2, 30), 64],
                ["Ada Lind", new DateOnly(2026, 1, 12), "Tuck front lever", "10, 9 s", null, null, "=1+1"],
                ["Somebody", 46_000, "Dips", "8/8/7", "1", null, 70.5],
            ],
            false
        ),
        new(
            "Hidden",
            [
                ["Week", "Mon"],
                ["1", "3x5"],
            ],
            true
        ),
    ];

    private static readonly byte[] Csv = Encoding.UTF8.GetBytes(
        "Athlete;Date;Exercise;Done;RIR\r\nAda Lind;12.01.2026;Pull-up;\"12,5kg x 5,5,4\";2\r\n;;\"Tuck \"\"front\"\" lever\";10, 9 s;\r\n"
    );

    [Theory]
    [InlineData("csv")]
    [InlineData("xlsx")]
    [InlineData("ods")]
    public void Damaged_by_chance_it_is_read_or_refused(string kind)
    {
        var whole = kind switch
        {
            "csv" => Csv,
            "xlsx" => Xlsx(Pages),
            _ => Ods(Pages),
        };
        Assert.True(Reads(whole, kind, -1));
        var random = new Random(22);
        var read = 0;
        for (var i = 0; i < Count; i++)
        {
            var inside = kind != "csv" && i % 3 > 0;
            read += Reads(inside ? Inside(whole, random) : Damage(whole, random), kind, i) ? 1 : 0;
        }

        // Neither all nor none: the damage reaches both sides of the reader.
        Assert.InRange(read, Count / 20, Count);
    }

    private bool Reads(byte[] file, string kind, int number)
    {
        File.WriteAllBytes(path, file);
        try
        {
            var sheets = SheetFile.Open(path, $"table.{kind}");
            var heads = sheets.Select(s => new SheetHead(
                s.Name,
                s.IsHidden,
                [.. s.Rows.Take(MappingGuess.RowsLooked)]
            ));
            var mapping = new MappingGuess(Terms, Today).Of([.. heads], MassUnit.Kg);
            new TableReader(mapping, Terms, Today, new Nowhere()).Read(sheets);
            return true;
        }
        catch (SheetException)
        {
            return false;
        }
        catch (Exception e)
        {
            throw new InvalidOperationException($"File {number}: {e.GetType().Name}", e);
        }
    }

    private static byte[] Inside(byte[] packed, Random random)
    {
        var parts = new Dictionary<string, string>();
        using (var zip = new ZipArchive(new MemoryStream(packed)))
            foreach (var entry in zip.Entries)
            {
                using var text = new StreamReader(entry.Open());
                parts[entry.FullName] = text.ReadToEnd();
            }

        var name = parts.Keys.ElementAt(random.Next(parts.Count));
        if (random.Next(12) == 0)
            parts.Remove(name);
        else
            parts[name] = Encoding.UTF8.GetString(Damage(Encoding.UTF8.GetBytes(parts[name]), random));
        return Zip(parts);
    }

    private static byte[] Damage(byte[] whole, Random random)
    {
        var bytes = whole.ToList();
        for (var times = random.Next(1, 5); times > 0 && bytes.Count > 0; times--)
        {
            var at = random.Next(bytes.Count);
            var count = Math.Min(random.Next(1, 20), bytes.Count - at);
            switch (random.Next(5))
            {
                case 0:
                    bytes[at] = (byte)random.Next(256);
                    break;
                case 1:
                    bytes.InsertRange(at, Encoding.UTF8.GetBytes(Tokens[random.Next(Tokens.Length)]));
                    break;
                case 2:
                    bytes.RemoveRange(at, count);
                    break;
                case 3:
                    bytes.InsertRange(at, bytes.GetRange(at, count));
                    break;
                default:
                    if (random.Next(4) == 0)
                        bytes.RemoveRange(at, bytes.Count - at);
                    else
                        bytes[at] ^= (byte)(1 << random.Next(8));
                    break;
            }
        }

        return [.. bytes];
    }

    private sealed class Nowhere : IImportSink
    {
        public void Read(NameRead name) { }

        public void Athlete(Who who, FoundAthlete athlete) { }

        public void BodyMass(Who who, DateOnly day, MassEntry mass) { }

        public void Test(Who who, FoundTest test) { }

        public void Item(Who who, FoundItem item) { }

        public void Line(OutlineLine line) { }

        public void Fault(ImportFault fault) { }
    }
}
