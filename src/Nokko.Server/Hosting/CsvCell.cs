using System.Globalization;

namespace Nokko.Server.Hosting;

/// <summary>Writes single cells of CSV files.</summary>
internal static class CsvCell
{
    /// <summary>Text; what a spreadsheet would run as a formula is kept from it.</summary>
    public static string? Plain(string? cell) =>
        cell is ['=' or '+' or '-' or '@', ..] ? "'" + cell : cell;

    /// <summary>A number with a point, as in every file of Nokko.</summary>
    public static string? Number(double? value) =>
        value?.ToString("0.###", CultureInfo.InvariantCulture);
}
