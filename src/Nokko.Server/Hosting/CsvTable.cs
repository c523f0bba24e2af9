using System.Globalization;
using System.Text;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Nokko.Server.Hosting;

/// <summary>A table as a file (RFC 4180, UTF-8).</summary>
internal static class CsvTable
{
    /// <summary>Writes a table; no cell of it is run by a spreadsheet.</summary>
    /// <param name="name">Name of the file.</param>
    /// <param name="columns">Names of the columns.</param>
    /// <param name="rows">Cells, row by row; null is an empty one.</param>
    public static async Task<FileContentHttpResult> Of(
        string name,
        IEnumerable<string> columns,
        IEnumerable<IEnumerable<string?>> rows
    )
    {
        await using var text = new StringWriter(CultureInfo.InvariantCulture);
        await using (var csv = CsvWriter.Create(text))
        {
            foreach (var row in rows.Select(r => r.Select(CsvCell.Plain)).Prepend(columns))
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell);
                }
                await csv.EndRecordAsync(CancellationToken.None);
            }
        }
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text.ToString()),
            "text/csv; charset=utf-8",
            name
        );
    }
}
