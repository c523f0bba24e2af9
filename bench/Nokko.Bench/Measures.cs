namespace Nokko.Bench;

internal static class Measures
{
    public static Task Run() => Task.CompletedTask;
}
