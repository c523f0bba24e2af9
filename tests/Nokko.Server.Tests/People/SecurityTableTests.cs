using System.Text.RegularExpressions;
using Nokko.Driving;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>docs/security.md names files and tests that there are.</summary>
public partial class SecurityTableTests
{
    [GeneratedRegex(@"`(?<class>\w+Tests)(\.(?<test>\w+?)_?…?)?`|`(?<rest>[A-Z]\w+_[\w]*?)_?…?`")]
    private static partial Regex Named();

    [Fact]
    public void Every_line_names_a_test_that_there_is()
    {
        var root = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(root, "Nokko.slnx")))
        {
            root = Path.GetDirectoryName(root.TrimEnd('/'))!;
        }
        var lines = File.ReadLines(Path.Combine(root, "docs/security.md"))
            .Where(l => l.StartsWith("| ", StringComparison.Ordinal))
            .Select(l => l.Trim('|', ' ').Split('|'))
            .Where(c => c[0].Trim() is not ("Requirement" or "---"))
            .ToArray();
        Assert.True(lines.Length > 15);
        var tests = Directory
            .EnumerateFiles(Path.Combine(root, "tests"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal))
            .Select(f => (Class: Path.GetFileNameWithoutExtension(f), Text: File.ReadAllText(f)))
            .ToArray();
        foreach (var cells in lines)
        {
            var named = Named().Matches(cells[^1]);
            Assert.True(named.Count > 0, cells[0]);
            foreach (Match m in named)
            {
                var (type, test) = (
                    m.Groups["class"].Value,
                    m.Groups["test"].Success ? m.Groups["test"].Value : m.Groups["rest"].Value
                );
                Assert.True(
                    tests.Any(t =>
                        (type.Length == 0 || t.Class == type)
                        && t.Text.Contains(
                            test.Length == 0 ? $"class {type}" : $" {test}",
                            StringComparison.Ordinal
                        )
                    ),
                    $"{cells[0].Trim()}: {m.Value}"
                );
            }
        }
    }
}
