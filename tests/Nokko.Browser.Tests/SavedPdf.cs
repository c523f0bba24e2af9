using UglyToad.PdfPig;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A paper as it was saved, read by another program than the one that wrote it.</summary>
/// <param name="Width">Width of its first page, points.</param>
/// <param name="Height">Height of it.</param>
/// <param name="First">Words of its first page.</param>
/// <param name="Second">Words of its second page; empty where there is none.</param>
internal sealed record SavedPdf(int Width, int Height, string First, string Second)
{
    /// <summary>Saves the paper that a browser shows, and reads it.</summary>
    /// <param name="b">The browser.</param>
    /// <param name="size">A4 or Letter.</param>
    /// <param name="name">What its file is called, with * for what differs.</param>
    public static SavedPdf Of(Driving.Browser b, string size, string name)
    {
        b.Choose("Paper", size);
        b.Press("Save as PDF");
        var file = b.Until(
            _ =>
                Directory.Exists(b.Downloads)
                    ? Directory.EnumerateFiles(b.Downloads, name).SingleOrDefault()
                    : null,
            name,
            seconds: 40
        )!;
        Assert.InRange(new FileInfo(file).Length, 5_000, 300_000);
        using var pdf = PdfDocument.Open(file);
        string Text(int page) =>
            page <= pdf.NumberOfPages
                ? string.Join(' ', pdf.GetPage(page).GetWords().Select(w => w.Text))
                : "";
        var first = pdf.GetPage(1);
        return new((int)Math.Round(first.Width), (int)Math.Round(first.Height), Text(1), Text(2));
    }
}
