using System.IO.Compression;
using System.Security;
using System.Text;

namespace Cumbre.Tests;

/// <summary>
/// Makes small workbooks and open documents part by part, as ECMA-376 and OpenDocument 1.3 describe them (from memory),
/// with what the usual libraries do not write: merged cells, hidden sheets, dates and times as numbers.
/// </summary>
public static class TableFiles
{
    /// <summary>A sheet: words as words, numbers as numbers, days and times as spreadsheets keep them.</summary>
    public sealed record Page(string Name, object?[][] Rows, bool IsHidden = false, params string[] Merged);

    public static byte[] Xlsx(params Page[] pages)
    {
        const string Main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main",
            Relations = "http://schemas.openxmlformats.org/officeDocument/2006/relationships",
            Package = "http://schemas.openxmlformats.org/package/2006";
        var sheets = string.Concat(
            pages.Select(
                (p, i) =>
                    $"<sheet name=\"{Text(p.Name)}\" sheetId=\"{i + 1}\"{(p.IsHidden ? " state=\"hidden\"" : "")} r:id=\"rId{i + 1}\"/>"
            )
        );
        var relations = string.Concat(
            pages.Select(
                (_, i) =>
                    $"<Relationship Id=\"rId{i + 1}\" Type=\"{Relations}/worksheet\" Target=\"worksheets/sheet{i + 1}.xml\"/>"
            )
        );
        // 14 is a date, 20 hours and minutes.
        var parts = new Dictionary<string, string>
        {
            ["[Content_Types].xml"] =
                $"<Types xmlns=\"{Package}/content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
                + "<Default Extension=\"xml\" ContentType=\"application/xml\"/></Types>",
            ["_rels/.rels"] =
                $"<Relationships xmlns=\"{Package}/relationships\"><Relationship Id=\"rId1\" Type=\"{Relations}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
            ["xl/workbook.xml"] =
                $"<workbook xmlns=\"{Main}\" xmlns:r=\"{Relations}\"><sheets>{sheets}</sheets></workbook>",
            ["xl/_rels/workbook.xml.rels"] =
                $"<Relationships xmlns=\"{Package}/relationships\">{relations}<Relationship Id=\"rIdS\" Type=\"{Relations}/styles\" Target=\"styles.xml\"/></Relationships>",
            ["xl/styles.xml"] =
                $"<styleSheet xmlns=\"{Main}\"><fonts count=\"1\"><font/></fonts><fills count=\"1\"><fill/></fills><borders count=\"1\"><border/></borders>"
                + "<cellStyleXfs count=\"1\"><xf/></cellStyleXfs><cellXfs count=\"3\"><xf numFmtId=\"0\"/><xf numFmtId=\"14\" applyNumberFormat=\"1\"/><xf numFmtId=\"20\" applyNumberFormat=\"1\"/></cellXfs></styleSheet>",
        };
        for (var i = 0; i < pages.Length; i++)
        {
            var merged =
                pages[i].Merged.Length == 0
                    ? ""
                    : $"<mergeCells count=\"{pages[i].Merged.Length}\">{string.Concat(pages[i].Merged.Select(m => $"<mergeCell ref=\"{m}\"/>"))}</mergeCells>";
            parts[$"xl/worksheets/sheet{i + 1}.xml"] =
                $"<worksheet xmlns=\"{Main}\"><sheetData>{string.Concat(pages[i].Rows.Select(XlsxRow))}</sheetData>{merged}</worksheet>";
        }

        return Zip(parts);
    }

    private static string XlsxRow(object?[] cells, int row) =>
        $"<row r=\"{row + 1}\">{string.Concat(cells.Select((c, i) => XlsxCell(c, $"{Column(i)}{row + 1}")))}</row>";

    private static string XlsxCell(object? value, string at) =>
        value switch
        {
            null => "",
            string text when text.StartsWith('=') => $"<c r=\"{at}\" t=\"str\"><f>{Text(text[1..])}</f><v>12</v></c>",
            string text => $"<c r=\"{at}\" t=\"inlineStr\"><is><t>{Text(text)}</t></is></c>",
            DateOnly day => $"<c r=\"{at}\" s=\"1\"><v>{day.DayNumber - new DateOnly(1899, 12, 30).DayNumber}</v></c>",
            TimeSpan time => FormattableString.Invariant($"<c r=\"{at}\" s=\"2\"><v>{time.TotalDays:R}</v></c>"),
            _ => FormattableString.Invariant($"<c r=\"{at}\"><v>{value}</v></c>"),
        };

    private static string Column(int index) =>
        index < 26 ? $"{(char)('A' + index)}" : $"{(char)('A' + index / 26 - 1)}{(char)('A' + index % 26)}";

    public static byte[] Ods(params Page[] pages)
    {
        const string Name = "urn:oasis:names:tc:opendocument:xmlns:";
        var tables = string.Concat(
            pages.Select(p =>
                $"<table:table table:name=\"{Text(p.Name)}\" table:style-name=\"{(p.IsHidden ? "ta2" : "ta1")}\">"
                + string.Concat(
                    p.Rows.Select(r => $"<table:table-row>{string.Concat(r.Select(OdsCell))}</table:table-row>")
                )
                + "<table:table-row table:number-rows-repeated=\"1048000\"><table:table-cell table:number-columns-repeated=\"16384\"/></table:table-row></table:table>"
            )
        );
        return Zip(
            new()
            {
                ["mimetype"] = "application/vnd.oasis.opendocument.spreadsheet",
                ["content.xml"] =
                    $"<office:document-content xmlns:office=\"{Name}office:1.0\" xmlns:table=\"{Name}table:1.0\" xmlns:text=\"{Name}text:1.0\" xmlns:style=\"{Name}style:1.0\">"
                    + "<office:automatic-styles><style:style style:name=\"ta1\" style:family=\"table\"><style:table-properties table:display=\"true\"/></style:style>"
                    + "<style:style style:name=\"ta2\" style:family=\"table\"><style:table-properties table:display=\"false\"/></style:style></office:automatic-styles>"
                    + $"<office:body><office:spreadsheet>{tables}</office:spreadsheet></office:body></office:document-content>",
            }
        );
    }

    private static string OdsCell(object? value) =>
        value switch
        {
            null => "<table:table-cell/>",
            // "3>" spans three rows, "<" is covered by what stands above.
            string and "<" => "<table:covered-table-cell/>",
            string text when text.Length > 2 && char.IsAsciiDigit(text[0]) && text[1] == '>' =>
                $"<table:table-cell office:value-type=\"string\" table:number-rows-spanned=\"{text[0]}\" table:number-columns-spanned=\"1\"><text:p>{Text(text[2..])}</text:p></table:table-cell>",
            string text =>
                $"<table:table-cell office:value-type=\"string\"><office:annotation><text:p>seen</text:p></office:annotation><text:p>{Text(text)}</text:p></table:table-cell>",
            DateOnly day =>
                $"<table:table-cell office:value-type=\"date\" office:date-value=\"{day:yyyy-MM-dd}\"><text:p>{day:d.M.yy}</text:p></table:table-cell>",
            TimeSpan time =>
                $"<table:table-cell office:value-type=\"time\" office:time-value=\"PT{time.Hours:00}H{time.Minutes:00}M{time.Seconds:00}S\"><text:p>x</text:p></table:table-cell>",
            _ => FormattableString.Invariant(
                $"<table:table-cell office:value-type=\"float\" office:value=\"{value}\"><text:p>{value}</text:p></table:table-cell>"
            ),
        };

    public static byte[] Zip(Dictionary<string, string> parts)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create))
        {
            foreach (var (name, text) in parts)
            {
                using var part = new StreamWriter(zip.CreateEntry(name).Open(), new UTF8Encoding(false));
                part.Write(text);
            }
        }

        return bytes.ToArray();
    }

    private static string Text(string text) => SecurityElement.Escape(text);
}
