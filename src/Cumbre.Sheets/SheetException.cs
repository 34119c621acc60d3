namespace Cumbre.Sheets;

/// <summary>Why a file is not read.</summary>
public enum SheetFault
{
    /// <summary>Neither text with columns nor one of the two kinds of spreadsheet.</summary>
    Unknown,

    /// <summary>A spreadsheet of the kind before 2007.</summary>
    Old,
    Password,

    /// <summary>Cut off, or changed on its way.</summary>
    Damaged,

    /// <summary>Unpacked it would be larger than <see cref="SheetFile.UnpackedMaximum"/>.</summary>
    TooLarge,

    /// <summary>More columns than <see cref="SheetFile.ColumnsMaximum"/>.</summary>
    TooWide,
    Empty,
}

/// <summary>A file that is not read.</summary>
public sealed class SheetException(SheetFault fault, Exception? inner = null)
    : Exception($"The file is not read: {fault}.", inner)
{
    public SheetFault Fault => fault;
}
