namespace Nokko.Core.Tests;

/// <summary>Hides that of the runner: these tests are built for an older one too, which has none, when faults are planted.</summary>
internal static class TestContext;
