using MiniExcelLibs;
using MiniExcelLibs.OpenXml;

namespace Cumbre.Sheets;

/// <summary>A table that is written into a workbook.</summary>
/// <param name="Name">Of its sheet, at most 31 characters.</param>
/// <param name="Columns">Headers.</param>
/// <param name="Rows">Words, numbers, days, or null for an empty cell; each as long as the headers.</param>
public sealed record TableOut(string Name, IReadOnlyList<string> Columns, IEnumerable<object?[]> Rows);

/// <summary>Writes workbooks (XLSX): a sheet for each table, its headers frozen, row by row.</summary>
public static class Workbook
{
    public static void Write(Stream stream, IEnumerable<TableOut> tables)
    {
        var sheets = new Dictionary<string, object>();
        foreach (var table in tables)
            sheets[table.Name] = Rows(table);
        MiniExcel.SaveAs(
            stream,
            sheets,
            configuration: new OpenXmlConfiguration
            {
                FreezeRowCount = 1,
                AutoFilter = false,
                TableStyles = TableStyles.None,
                EnableConvertByteArray = false,
            }
        );
    }

    /// <summary>A table without a row keeps its headers.</summary>
    private static IEnumerable<Dictionary<string, object?>> Rows(TableOut table)
    {
        var any = false;
        foreach (var row in table.Rows)
        {
            any = true;
            yield return Of(table.Columns, row);
        }

        if (!any)
            yield return Of(table.Columns, new object?[table.Columns.Count]);
    }

    private static Dictionary<string, object?> Of(IReadOnlyList<string> columns, object?[] row)
    {
        var cells = new Dictionary<string, object?>(columns.Count);
        for (var i = 0; i < columns.Count; i++)
            cells[columns[i]] = row[i] is DateOnly day ? day.ToDateTime(TimeOnly.MinValue) : row[i];
        return cells;
    }
}
