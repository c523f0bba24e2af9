namespace Nokko.Driving;

/// <summary>Runs the accessibility checker over the page as it stands.</summary>
public static class Axe
{
    private static readonly Lazy<string> Source = new(() =>
        File.ReadAllText(
            Path.Combine(
                Environment.GetEnvironmentVariable("NOKKO_WEBROOT")!,
                "..",
                "node_modules",
                "axe-core",
                "axe.min.js"
            )
        )
    );

    /// <summary>Fails when there is a serious or critical finding.</summary>
    public static void Check(Browser browser, string view)
    {
        // The whole page at once: the rail at the bottom edge covers only what is scrolled under it for the moment.
        var (width, height) = browser.Size;
        browser.Resize(
            width,
            (int)(long)browser.Driver.ExecuteScript("return document.documentElement.scrollHeight")!
                + 20
        );
        if (!(bool)browser.Driver.ExecuteScript("return 'axe' in window")!)
        {
            browser.Driver.ExecuteScript(Source.Value);
        }
        var findings = (string)
            browser.Driver.ExecuteAsyncScript(
                """
                const done = arguments[arguments.length - 1];
                axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] }).then(r => done(
                  r.violations.filter(v => v.impact === 'serious' || v.impact === 'critical')
                    .map(v => v.id + ': ' + v.nodes.slice(0, 4).map(n => n.html.slice(0, 160) + ' — ' + n.failureSummary).join(' | ')).join('\n')));
                """
            )!;
        browser.Resize(width, height);
        if (findings.Length > 0)
        {
            throw new InvalidOperationException($"{view} has serious findings:\n{findings}");
        }
    }
}
