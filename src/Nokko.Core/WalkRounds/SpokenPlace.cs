using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>A station that is called before its height: “left front, thirty-five and a half”.</summary>
public static class SpokenPlace
{
    private static readonly Dictionary<string, string> Ends = new()
    {
        ["front"] = "F",
        ["rear"] = "R",
        ["middle"] = "M",
        ["mid"] = "M",
    };

    /// <summary>The text without the station that it begins with.</summary>
    /// <param name="text">What was said or typed.</param>
    /// <param name="station">The station at which it is read.</param>
    /// <param name="why">Why it cannot be taken: another station was called; null where it can.</param>
    public static string? Without(string? text, string station, out string? why)
    {
        why = null;
        var words = (text ?? "").Split([' ', ',', ':'], StringSplitOptions.RemoveEmptyEntries);
        if (
            words is not [var first, var second, ..]
            || Called(first.ToLowerInvariant(), second.ToLowerInvariant()) is not { } called
        )
        {
            return text;
        }
        if (called != station)
        {
            why =
                $"You said {Corners.Said(called)}, and this is {Corners.Said(station)}: go there first.";
        }
        return string.Join(' ', words[2..]);
    }

    private static string? Called(string first, string second) =>
        first is "left" or "right" && Ends.TryGetValue(second, out var end)
            ? (first == "left" ? "L" : "R") + end
        : second is "left" or "right" && Ends.TryGetValue(first, out var front)
            ? (second == "left" ? "L" : "R") + front
        : null;
}
