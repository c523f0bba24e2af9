using System.Globalization;

namespace Nokko.Server.Hosting;

/// <summary>Writes single cells of CSV files, and reads them again.</summary>
internal static class CsvCell
{
    /// <summary>Text; what a spreadsheet would run as a formula is kept from it. A number is none.</summary>
    public static string? Plain(string? cell) =>
        cell is ['=' or '+' or '-' or '@' or '\t' or '\r' or '\'', ..]
        && !double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out _)
            ? "'" + cell
            : cell;

    /// <summary>A cell as it was before it was kept from a spreadsheet.</summary>
    public static string Read(string cell) => cell is ['\'', ..] ? cell[1..] : cell;

    /// <summary>A number with a point, as in every file of Nokko.</summary>
    public static string? Number(double? value) =>
        value?.ToString("0.###", CultureInfo.InvariantCulture);
}
