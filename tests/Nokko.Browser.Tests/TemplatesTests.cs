using System.Globalization;
using System.Text.RegularExpressions;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Graphics;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Templates at full size, from a part of a plan to its file, measured there by another program than the one that wrote it.</summary>
public sealed partial class TemplatesTests(DemoServer demo)
{
    private const double Mm = 72 / 25.4;

    private readonly HostedServer _server = demo.Server;

    [Fact]
    [Trait("Trial", "long")]
    public void A_print_that_came_out_too_small_is_made_again_larger_and_measures_so_in_its_file()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Open($"{_server.Address}/bench/holes?unit=mm&side=60&down=80&hole=12&edge=20");
        b.Sees("Not proved yet");
        // A print that was fitted to the page is refused where it was typed, and there is nothing to save.
        b.Type("100 mm bar across", "94");
        b.Type("100 mm bar down", "94");
        b.Sees("Print it at actual size (100 %)");
        Assert.DoesNotContain("Save as PDF", b.Text, StringComparison.Ordinal);
        b.Type("100 mm bar across", "98.6");
        b.Type("100 mm bar down", "100");
        b.Sees("This printer prints 98.6 % across");
        b.Choose("Paper", "A4");
        b.Press("Save as PDF");
        using (var pdf = PdfDocument.Open(Saved(b, "holes.pdf")))
        {
            var page = pdf.GetPage(1);
            Assert.Equal((595, 842), ((int)Math.Round(page.Width), (int)Math.Round(page.Height)));
            var boxes = page
                .Paths.Select(p => p.GetBoundingRectangle())
                .OfType<UglyToad.PdfPig.Core.PdfRectangle>();
            var (across, down) = (
                boxes.Where(r => r.Height < 0.01).Select(r => r.Width / Mm).ToArray(),
                boxes.Where(r => r.Width < 0.01).Select(r => r.Height / Mm).ToArray()
            );
            foreach (var bar in (double[])[100, 101.6])
            {
                Assert.Contains(across, length => Math.Abs((length * 0.986) - bar) < 0.02);
                Assert.Contains(down, length => Math.Abs(length - bar) < 0.02);
            }
            // Four holes of 12 mm, 60 and 80 mm apart once that printer has printed them.
            var holes = boxes
                .Where(r =>
                    Math.Abs((r.Width / Mm * 0.986) - 12) < 0.05
                    && Math.Abs((r.Height / Mm) - 12) < 0.05
                )
                .ToArray();
            Assert.Equal(4, holes.Length);
            Assert.Equal(60, (holes.Max(h => h.Left) - holes.Min(h => h.Left)) / Mm * 0.986, 1);
            Assert.Equal(80, (holes.Max(h => h.Bottom) - holes.Min(h => h.Bottom)) / Mm, 1);
            Assert.Contains("NOT PROVED", page.Text, StringComparison.Ordinal);
        }
        // The other file says the same, and what was proved says so.
        b.Type("100 mm bar across", "100");
        b.Sees("cut by this print");
        b.Press("Save as SVG");
        var svg = File.ReadAllText(Saved(b, "holes.svg"));
        Assert.Contains(
            "width=\"180mm\" height=\"244mm\" viewBox=\"0 0 180 244\"",
            svg,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain("NOT PROVED", svg, StringComparison.Ordinal);
        double[] At(string axis) =>
            [
                .. Ellipse()
                    .Matches(svg)
                    .Select(m => double.Parse(m.Groups[axis].Value, CultureInfo.InvariantCulture)),
            ];
        Assert.Equal(60, At("x").Max() - At("x").Min(), 3);
        Assert.Equal(80, At("y").Max() - At("y").Min(), 3);
        // Another size is another print: what the bars of the old one told does not hold for it.
        b.Type("Holes", "14");
        b.Sees("Not proved yet");
        Assert.Equal("", b.Field("100 mm bar across").GetDomProperty("value"));
    }

    [Fact]
    public void A_part_of_the_plan_fills_its_template()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("SV 204 R", "plan");
        b.Sees("Templates on paper, full size");
        b.Press("Stud length: Alder plate 1");
        b.Sees("The stud must stand out of its face by");
        Assert.Equal("1 in", b.Field("Spacer between").GetDomProperty("value"));
    }

    private static string Saved(Driving.Browser b, string name) =>
        b.Until(
            _ => Path.Combine(b.Downloads, name) is var file && File.Exists(file) ? file : null,
            name,
            seconds: 40
        )!;

    [GeneratedRegex("""<ellipse cx="(?<x>[\d.]+)" cy="(?<y>[\d.]+)" """)]
    private static partial Regex Ellipse();
}
