using System.Globalization;
using System.IO.Compression;
using System.Xml;
using Cumbre.Core.Exchange;

namespace Cumbre.Sheets;

/// <summary>
/// Open documents: the tables of content.xml as OASIS OpenDocument 1.3, part 3, describes them (from memory). Repeated
/// cells and rows are written once there; a merged cell says the same in each of its places.
/// </summary>
internal static class OdsReading
{
    public const string Content = "content.xml";

    private const string Table = "urn:oasis:names:tc:opendocument:xmlns:table:1.0",
        Office = "urn:oasis:names:tc:opendocument:xmlns:office:1.0",
        Text = "urn:oasis:names:tc:opendocument:xmlns:text:1.0",
        Style = "urn:oasis:names:tc:opendocument:xmlns:style:1.0";

    /// <summary>Empty rows up to the end of a sheet are written as one that is repeated a million times.</summary>
    private const int EmptyRowsMost = 1000;

    public static IReadOnlyList<Sheet> Sheets(string path, ZipArchive zip)
    {
        if (zip.GetEntry("META-INF/manifest.xml") is { } manifest)
        {
            using var text = new StreamReader(manifest.Open());
            if (text.ReadToEnd().Contains("encryption-data", StringComparison.Ordinal))
                throw new SheetException(SheetFault.Password);
        }

        var hidden = new HashSet<string>(StringComparer.Ordinal);
        var sheets = new List<Sheet>();
        using var xml = Open(zip);
        string? style = null;
        while (xml.Read())
        {
            if (xml.NodeType != XmlNodeType.Element)
                continue;
            switch (xml.LocalName)
            {
                case "style" when xml.NamespaceURI == Style:
                    style = xml.GetAttribute("name", Style);
                    break;
                case "table-properties" when xml.GetAttribute("display", Table) == "false" && style is not null:
                    hidden.Add(style);
                    break;
                case "table" when xml.NamespaceURI == Table:
                    var at = sheets.Count;
                    sheets.Add(
                        new(
                            xml.GetAttribute("name", Table) ?? $"{at + 1}",
                            hidden.Contains(xml.GetAttribute("style-name", Table) ?? ""),
                            Rows(path, at)
                        )
                    );
                    break;
            }
        }

        return sheets;
    }

    private static XmlReader Open(ZipArchive zip) =>
        XmlReader.Create(
            (zip.GetEntry(Content) ?? throw new InvalidDataException(Content)).Open(),
            new()
            {
                DtdProcessing = DtdProcessing.Prohibit,
                XmlResolver = null,
                IgnoreWhitespace = false,
            }
        );

    private static IEnumerable<Cell[]> Rows(string path, int sheet)
    {
        using var zip = ZipFile.OpenRead(path);
        using var xml = Open(zip);
        for (var at = -1; at < sheet; )
        {
            if (!xml.Read())
                yield break;
            if (IsStart(xml, "table"))
                at++;
        }

        // What merged cells of earlier rows say in the rows below them: by column, the cell and for how many rows.
        var below = new Dictionary<int, (Cell Cell, int Rows)>();
        while (xml.Read() && !(xml.NodeType == XmlNodeType.EndElement && xml.LocalName == "table"))
        {
            if (!IsStart(xml, "table-row"))
                continue;
            var times = Repeated(xml, "number-rows-repeated");
            var row = xml.IsEmptyElement ? [] : Row(xml, below);
            for (var i = 0; i < (row.Length == 0 ? Math.Min(times, EmptyRowsMost) : times); i++)
                yield return row;
        }
    }

    private static Cell[] Row(XmlReader xml, Dictionary<int, (Cell Cell, int Rows)> below)
    {
        var cells = new List<Cell>();
        while (xml.Read() && !(xml.NodeType == XmlNodeType.EndElement && xml.LocalName == "table-row"))
        {
            var isCovered = IsStart(xml, "covered-table-cell");
            if (!isCovered && !IsStart(xml, "table-cell"))
                continue;
            var times = Math.Min(Repeated(xml, "number-columns-repeated"), SheetFile.ColumnsMaximum + 1);
            int columns = Spanned(xml, "number-columns-spanned"),
                rows = Spanned(xml, "number-rows-spanned");
            var cell = Read(xml);
            for (var i = 0; i < times && cells.Count <= SheetFile.ColumnsMaximum; i++)
            {
                var column = cells.Count;
                if (isCovered && below.TryGetValue(column, out var above))
                {
                    cell = above.Cell;
                    if (above.Rows == 1)
                        below.Remove(column);
                    else
                        below[column] = (above.Cell, above.Rows - 1);
                }

                cells.Add(cell);
            }

            // In its own row a merged cell covers those right of it; in the rows below all its columns.
            if (columns > 1 || rows > 1)
            {
                var first = cells.Count - 1;
                for (var c = 0; c < Math.Min(columns, SheetFile.ColumnsMaximum); c++)
                {
                    var covered = rows - 1 + (c > 0 ? 1 : 0);
                    if (covered > 0)
                        below[first + c] = (cell, covered);
                }
            }
        }

        while (cells.Count > 0 && cells[^1].IsEmpty)
            cells.RemoveAt(cells.Count - 1);
        return [.. cells];
    }

    private static Cell Read(XmlReader xml)
    {
        var type = xml.GetAttribute("value-type", Office);
        var value = xml.GetAttribute(type is "date" or "time" ? $"{type}-value" : "value", Office);
        var text = Paragraphs(xml);
        return type switch
        {
            "float"
            or "currency"
            or "percentage"
                when decimal.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) =>
                Cell.Of(number),
            "date" when DateTime.TryParse(value, CultureInfo.InvariantCulture, out var moment) => Cell.Of(
                DateOnly.FromDateTime(moment)
            ),
            "time" when value is not null => Cell.Of(XmlConvert.ToTimeSpan(value)),
            _ => Cell.Of(text),
        };
    }

    /// <summary>The text of the cell at which the reader stands; after it the reader stands at its end.</summary>
    private static string Paragraphs(XmlReader xml)
    {
        if (xml.IsEmptyElement)
            return "";
        var depth = xml.Depth;
        var text = new System.Text.StringBuilder();
        while (xml.Read() && xml.Depth > depth)
        {
            // What somebody noted at the cell is no part of it.
            if (xml.NodeType == XmlNodeType.Element && xml.LocalName == "annotation" && xml.NamespaceURI == Office)
            {
                using var note = xml.ReadSubtree();
                while (note.Read()) { }
            }
            else if (xml.NodeType == XmlNodeType.Element && xml.NamespaceURI == Text)
            {
                if (xml.LocalName is "s" or "tab" or "line-break" || (xml.LocalName == "p" && text.Length > 0))
                    text.Append(' ');
            }
            else if (xml.NodeType is XmlNodeType.Text or XmlNodeType.SignificantWhitespace)
                text.Append(xml.Value);
        }

        return text.ToString();
    }

    private static bool IsStart(XmlReader xml, string name) =>
        xml.NodeType == XmlNodeType.Element && xml.LocalName == name && xml.NamespaceURI == Table;

    private static int Repeated(XmlReader xml, string name) => Spanned(xml, name);

    private static int Spanned(XmlReader xml, string name) =>
        int.TryParse(xml.GetAttribute(name, Table), CultureInfo.InvariantCulture, out var n) && n > 0 ? n : 1;
}
