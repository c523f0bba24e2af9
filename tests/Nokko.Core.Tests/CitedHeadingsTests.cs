using System.Text.RegularExpressions;
using Xunit;

namespace Nokko.Core.Tests;

/// <summary>What a comment cites is in the repository, to the heading.</summary>
[Trait("Cost", "heavy")]
public partial class CitedHeadingsTests
{
    private static readonly string Root = FindRoot();

    private static readonly string[] Kinds = [".cs", ".ts", ".tsx"];

    private static IEnumerable<string> Sources() =>
        new[] { "src", "tests", "bench", Path.Combine("web", "src") }
            .SelectMany(folder =>
                Directory.EnumerateFiles(
                    Path.Combine(Root, folder),
                    "*",
                    SearchOption.AllDirectories
                )
            )
            .Where(f => Kinds.Contains(Path.GetExtension(f)))
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal)
                && !f.Contains("/bin/", StringComparison.Ordinal)
            );

    [Fact]
    public void Every_page_and_heading_that_a_comment_cites_is_there()
    {
        var cited = Sources()
            .SelectMany(f =>
                Cited()
                    .Matches(File.ReadAllText(f))
                    .Select(m => (File: f, Page: m.Groups[1].Value, Heading: m.Groups[2].Value))
            )
            .ToArray();
        Assert.True(cited.Length > 40, $"Only {cited.Length} citations were found.");
        Assert.Empty(
            cited
                .Where(c => !IsThere(c.Page, c.Heading))
                .Select(c => $"{c.File}: {c.Page}#{c.Heading}")
        );
    }

    [Fact]
    public void No_comment_cites_a_page_without_saying_where_it_lies() =>
        Assert.Empty(
            Sources()
                .Where(f => !f.EndsWith("CitedHeadingsTests.cs", StringComparison.Ordinal))
                .SelectMany(f => Bare().Matches(File.ReadAllText(f)).Select(m => $"{f}: {m.Value}"))
        );

    [Theory]
    [InlineData("## Residuals and leave-one-out", "residuals-and-leave-one-out")]
    [InlineData("# Frame, units, how a value is known", "frame-units-how-a-value-is-known")]
    public void A_heading_is_named_as_the_pages_link_to_it(string line, string slug) =>
        Assert.Equal(slug, Slug(line));

    private static bool IsThere(string page, string heading)
    {
        var file = Path.Combine(Root, page);
        return File.Exists(file)
            && (
                heading.Length == 0
                || File.ReadLines(file).Where(l => l.StartsWith('#')).Any(l => Slug(l) == heading)
            );
    }

    private static string Slug(string line) =>
        NoLetter().Replace(line.TrimStart('#').Trim().ToLowerInvariant(), "").Replace(' ', '-');

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Nokko.slnx")))
        {
            folder =
                folder.Parent
                ?? throw new InvalidOperationException("The repository is not above the tests.");
        }
        return folder.FullName;
    }

    [GeneratedRegex(@"\b(docs/[\w/-]+\.md)(?:#([\w-]+))?")]
    private static partial Regex Cited();

    [GeneratedRegex(@"(?<![\w/-])[\w-]+\.md\b")]
    private static partial Regex Bare();

    [GeneratedRegex(@"[^\w\- ]")]
    private static partial Regex NoLetter();
}
