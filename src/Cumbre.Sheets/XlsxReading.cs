using System.Globalization;
using Cumbre.Core.Exchange;
using MiniExcelLibs;
using MiniExcelLibs.OpenXml;

namespace Cumbre.Sheets;

/// <summary>Workbooks. A cell that is merged with others says the same in each of them.</summary>
internal static class XlsxReading
{
    public static IReadOnlyList<Sheet> Sheets(string path)
    {
        using var file = File.OpenRead(path);
        return
        [
            .. MiniExcel
                .GetSheetInformations(file)
                .Select(s => new Sheet(s.Name, s.State != SheetState.Visible, Rows(path, s.Name))),
        ];
    }

    private static IEnumerable<Cell[]> Rows(string path, string sheet)
    {
        using var file = File.OpenRead(path);
        var options = new OpenXmlConfiguration { FillMergedCells = true };
        foreach (
            var row in MiniExcel
                .Query(file, sheetName: sheet, excelType: ExcelType.XLSX, configuration: options)
                .Cast<IDictionary<string, object?>>()
        )
            yield return [.. row.Values.Select(Of)];
    }

    private static Cell Of(object? value) =>
        value switch
        {
            null => Cell.Empty,
            string text => Cell.Of(text),
            double number => Cell.Of((decimal)number),
            DateTime { Year: < 1901 } time => Cell.Of(time.TimeOfDay),
            DateTime moment => Cell.Of(DateOnly.FromDateTime(moment)),
            TimeSpan time => Cell.Of(time),
            _ => Cell.Of(Convert.ToString(value, CultureInfo.InvariantCulture)),
        };
}
