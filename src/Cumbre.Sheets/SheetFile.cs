using System.IO.Compression;
using Cumbre.Core.Exchange;

namespace Cumbre.Sheets;

/// <summary>
/// Opens a table that somebody kept: text with columns (CSV), a workbook (XLSX), an open document (ODS). What it is
/// follows from its first bytes, not from its name. Rows are read from the file each time they are asked for, one after
/// another, so that the memory does not grow with the file.
/// </summary>
public static class SheetFile
{
    /// <summary>Columns of a sheet that are read; this project's choice.</summary>
    public const int ColumnsMaximum = 500;

    /// <summary>Bytes of all parts of a packed file; this project's choice.</summary>
    public const long UnpackedMaximum = 2L << 30;

    /// <summary>Text of tables packs to a tenth or a twentieth; what packs better than this is no table.</summary>
    private const int RatioMaximum = 200;

    private const long SmallPart = 1 << 20;

    /// <param name="path">Of the file.</param>
    /// <param name="name">As its owner calls it.</param>
    /// <param name="unpackedMost">Bytes.</param>
    /// <exception cref="SheetException">It is not read.</exception>
    public static IReadOnlyList<Sheet> Open(string path, string name, long unpackedMost = UnpackedMaximum)
    {
        var start = Start(path);
        if (start.Length == 0)
            throw new SheetException(SheetFault.Empty);
        // A locked workbook of today and an open one of before 2007 lie in the same container.
        if (start is [0xD0, 0xCF, 0x11, 0xE0, ..])
            throw new SheetException(Compound.IsLocked(path) ? SheetFault.Password : SheetFault.Old);
        if (start is not [(byte)'P', (byte)'K', ..])
            return [new(Path.GetFileNameWithoutExtension(name), false, Checked(CsvReading.Rows(path)))];
        try
        {
            var sheets = Packed(path, unpackedMost);
            return sheets.Count == 0
                ? throw new SheetException(SheetFault.Empty)
                : [.. sheets.Select(s => s with { Rows = Checked(s.Rows) })];
        }
        catch (Exception e) when (IsDamage(e))
        {
            throw new SheetException(SheetFault.Damaged, e);
        }
    }

    private static IReadOnlyList<Sheet> Packed(string path, long most)
    {
        using (var zip = ZipFile.OpenRead(path))
        {
            Weigh(zip, most);
            if (zip.GetEntry(OdsReading.Content) is not null)
                return OdsReading.Sheets(path, zip);
            if (zip.GetEntry("xl/workbook.xml") is null)
                throw new SheetException(SheetFault.Unknown);
        }

        return XlsxReading.Sheets(path);
    }

    /// <summary>Unpacks everything once and counts: what a packed file says of its own size may be a lie.</summary>
    private static void Weigh(ZipArchive zip, long most)
    {
        var left = most;
        var buffer = new byte[81_920];
        foreach (var part in zip.Entries)
        {
            var packed = Math.Max(part.CompressedLength, 1);
            long size = 0;
            using var stream = part.Open();
            for (int read; (read = stream.Read(buffer)) > 0; )
            {
                size += read;
                left -= read;
                if (left < 0 || (size > SmallPart && size / packed > RatioMaximum))
                    throw new SheetException(SheetFault.TooLarge);
            }
        }
    }

    /// <summary>Rows without their empty ends; damage that shows only on the way is told as such.</summary>
    private static IEnumerable<Cell[]> Checked(IEnumerable<Cell[]> rows)
    {
        using var each = rows.GetEnumerator();
        while (true)
        {
            Cell[] row;
            try
            {
                if (!each.MoveNext())
                    yield break;
                row = each.Current;
            }
            catch (Exception e) when (IsDamage(e))
            {
                throw new SheetException(SheetFault.Damaged, e);
            }

            var length = row.Length;
            while (length > 0 && row[length - 1].IsEmpty)
                length--;
            if (length > ColumnsMaximum)
                throw new SheetException(SheetFault.TooWide);
            yield return length == row.Length ? row : row[..length];
        }
    }

    /// <summary>What the readers of packed files and of their text throw over a file that is not whole.</summary>
    private static bool IsDamage(Exception e) =>
        e
            is InvalidDataException
                or EndOfStreamException
                or System.Xml.XmlException
                or FormatException
                or KeyNotFoundException
                or InvalidOperationException
                or NullReferenceException
                or ArgumentException
                or IndexOutOfRangeException
                or CsvHelper.CsvHelperException;

    private static byte[] Start(string path)
    {
        using var file = File.OpenRead(path);
        var start = new byte[8];
        return start[..file.ReadAtLeast(start, start.Length, throwOnEndOfStream: false)];
    }
}
