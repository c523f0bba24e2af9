namespace Nokko.Core.Fitting;

/// <summary>A job card as lines that a fitter can read: what each step opens, loosens, takes off, puts under, closes and to which pass, and what holds the vehicle after it.</summary>
public static class CardText
{
    /// <summary>The lines of a card.</summary>
    public static IEnumerable<string> Of(JobCard card)
    {
        var done = new HashSet<string>();
        IReadOnlyList<string> before = [];
        foreach (var (step, i) in card.Steps.Select((s, i) => (s, i)))
        {
            yield return $"{i + 1, 3} {(step.Hold ? "■ " : "  ")}{step.Where}: {step.Title}  [{step.Key}]";
            yield return $"      {step.Do}";
            foreach (var line in step.Lines)
            {
                yield return $"      - {line}";
            }
            if (step.Caution is { } caution)
            {
                yield return $"      ! {caution}";
            }
            foreach (
                var (what, places) in new[]
                {
                    ("opens", step.Opens),
                    ("loosens", step.Loosens),
                    ("off", step.TakesOff),
                    ("under", step.Supports),
                    ($"closes, {step.Pass?.ToString().ToLowerInvariant()}", step.Joints),
                }
            )
            {
                if (places.Count > 0)
                {
                    yield return $"      {what}: {string.Join(" · ", places)}";
                }
            }
            if (step.ClearsSupports)
            {
                yield return "      away: every jack and strap";
            }
            yield return $"      {step.Minutes} min{(step.People > 1 ? $", {step.People} people" : "")}{(step.Tools.Count > 0 ? $"; {string.Join(", ", step.Tools)}" : "")}";
            done.Add(step.Key);
            string[] board = [.. card.Board(done).Select(Said)];
            foreach (var line in board.Except(before))
            {
                yield return $"      held: {line}";
            }
            before = board;
        }
    }

    private static string Said(BoardLine line) =>
        $"{line.Member}: carried by {Listed(line.Carries)}; along x {Listed(line.X)}; along y {Listed(line.Y)}; turning {Listed(line.Turn)}";

    private static string Listed(IReadOnlyList<string> what) =>
        what.Count switch
        {
            0 => "—",
            > 2 => $"{what[0]} and {what.Count - 1} more",
            _ => string.Join(", ", what),
        };
}
