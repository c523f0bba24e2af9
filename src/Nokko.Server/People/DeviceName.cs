namespace Nokko.Server.People;

/// <summary>What a device calls itself, in a few words: enough that its owner knows it again.</summary>
internal static class DeviceName
{
    private static readonly (string Mark, string Said)[] Systems =
    [
        ("iPad", "tablet"),
        ("iPhone", "phone"),
        ("Android", "phone or tablet, Android"),
        ("CrOS", "Chromebook"),
        ("Windows", "Windows"),
        ("Mac OS X", "Mac"),
        ("Linux", "Linux"),
    ];

    private static readonly (string Mark, string Said)[] Browsers =
    [
        ("Firefox/", "Firefox"),
        ("Edg/", "Edge"),
        ("Chrome/", "Chrome"),
        ("Safari/", "Safari"),
    ];

    /// <summary>The name for a browser's own description of itself.</summary>
    public static string Of(string? userAgent)
    {
        var said = userAgent ?? "";
        string? Known((string Mark, string Said)[] of) =>
            of.Where(k => said.Contains(k.Mark, StringComparison.Ordinal))
                .Select(k => k.Said)
                .FirstOrDefault();
        return string.Join(
            ", ",
            new[] { Known(Browsers), Known(Systems) }.OfType<string>().DefaultIfEmpty("unknown")
        );
    }
}
