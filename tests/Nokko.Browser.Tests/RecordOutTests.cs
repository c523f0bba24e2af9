using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A job that was handed over, out of the shop: on paper, and as its file into another one.</summary>
public sealed class RecordOutTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void Its_record_prints_on_two_pages_and_its_file_comes_in_as_a_copy()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "odd");
        b.Type("Find owner, phone, plate or vehicle", "SV 118 K");
        var href = b.Until(
            d =>
                d.FindElements(By.XPath("//main//li/a[contains(., 'SV 118 K')]"))
                    .FirstOrDefault()
                    ?.GetAttribute("href"),
            "the job"
        )!;
        var job = href.Split('/')[4];
        b.Open($"{_server.Address}/jobs/{job}/hand-over");
        b.Sees("Told to whoever drives it away");
        foreach (var (width, height) in new[] { (8.27, 11.69), (8.5, 11.0) })
        {
            var pdf = b.Driver.ExecuteCdpCommand(
                "Page.printToPDF",
                new Dictionary<string, object?>
                {
                    ["paperWidth"] = width,
                    ["paperHeight"] = height,
                    ["preferCSSPageSize"] = false,
                    ["printBackground"] = true,
                }
            );
            var bytes = Convert.FromBase64String(
                (string)((Dictionary<string, object>)pdf!)["data"]
            );
            var pages = System.Text.RegularExpressions.Regex.Count(
                System.Text.Encoding.Latin1.GetString(bytes),
                @"/Type\s*/Page\b"
            );
            // The page for the owner, and the annex.
            Assert.InRange(pages, 2, 3);
        }
        var file = (string)
            b.Driver.ExecuteAsyncScript(
                $"const done = arguments[0]; fetch('/api/jobs/{job}/file').then(r => r.text()).then(done)"
            )!;
        var path = Path.Combine(Path.GetTempPath(), $"{job}.json");
        File.WriteAllText(path, file);
        b.Open(_server.Address);
        b.Sees("To come after hand-over");
        b.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(path);
        b.Sees("This job, or a part of it, is here already");
        b.Press("Bring in a copy");
        b.Sees("● Sits as wanted");
        File.Delete(path);
    }
}
