namespace Nokko.Server.Tests;

/// <summary>Where the repository lies that is tested.</summary>
internal static class TestPaths
{
    /// <summary>The folder that holds the script.</summary>
    public static string Root { get; } = Find(new DirectoryInfo(AppContext.BaseDirectory));

    private static string Find(DirectoryInfo from) =>
        File.Exists(Path.Combine(from.FullName, "nokko"))
            ? from.FullName
            : Find(from.Parent ?? throw new InvalidOperationException("The script is not there."));
}
