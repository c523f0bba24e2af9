namespace Nokko.Core.Practice;

/// <summary>What is drilled.</summary>
public enum DrillKind
{
    /// <summary>Reading tapes.</summary>
    Tapes,

    /// <summary>From where a height was measured.</summary>
    Datums,

    /// <summary>Which of six readings is off.</summary>
    OffReading,

    /// <summary>Thickness, claim, or lift: what a number is.</summary>
    Figures,

    /// <summary>What a card forgets.</summary>
    Cards,
}

/// <summary>A line of figures that belongs to a question.</summary>
/// <param name="Name">What.</param>
/// <param name="Figures">Its figures, as said.</param>
public sealed record DrillRow(string Name, IReadOnlyList<string> Figures);

/// <summary>A question of a drill, with its answer: a device that opened it needs no network.</summary>
/// <param name="Ask">What is asked.</param>
/// <param name="Tape">A tape to be read; null where there is none.</param>
/// <param name="Rows">Figures to look at.</param>
/// <param name="Choices">What can be chosen; empty where a tape is read.</param>
/// <param name="Right">Number of the right choice, from 0; of a tape its reading in thirty-seconds of an inch.</param>
/// <param name="Why">Why it is that.</param>
/// <param name="Guide">Heading of the guide that tells more, as its anchor.</param>
public sealed record DrillQuestion(
    string Ask,
    TapeView? Tape,
    IReadOnlyList<DrillRow> Rows,
    IReadOnlyList<string> Choices,
    int Right,
    string Why,
    string Guide
)
{
    /// <summary>Whether an answer is right: a tape may be a thirty-second off.</summary>
    /// <param name="answer">Number of the choice, or thirty-seconds of an inch; null was passed over.</param>
    public bool IsRight(int? answer) =>
        answer is { } given && Math.Abs(given - Right) <= (Choices.Count == 0 ? 1 : 0);
}

/// <summary>A drill of about two minutes, drawn from a seed: the same seed asks the same.</summary>
/// <remarks>Source: docs/computation/practice.md#drills.</remarks>
/// <param name="Kind">What is drilled.</param>
/// <param name="Seed">Seed of all that is left to chance.</param>
/// <param name="Title">Its name.</param>
/// <param name="Questions">The questions, in order.</param>
public sealed record Drill(
    DrillKind Kind,
    int Seed,
    string Title,
    IReadOnlyList<DrillQuestion> Questions
)
{
    /// <summary>What a drill is called.</summary>
    /// <param name="kind">The drill.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no drill.</exception>
    public static string TitleOf(DrillKind kind) =>
        kind switch
        {
            DrillKind.Tapes => "Read twenty tapes",
            DrillKind.Datums => "Which datum was this?",
            DrillKind.OffReading => "Which reading is off?",
            DrillKind.Figures => "Thickness, claim or lift?",
            DrillKind.Cards => "What does this card forget?",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No drill."),
        };

    /// <summary>Draws a drill.</summary>
    /// <param name="kind">What is drilled.</param>
    /// <param name="seed">Seed of all that is left to chance.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no drill.</exception>
    public static Drill Of(DrillKind kind, int seed)
    {
        var chance = new Random(unchecked((seed * 37) + (int)kind));
        return new Drill(
            kind,
            seed,
            TitleOf(kind),
            [
                .. kind switch
                {
                    DrillKind.Tapes => DrillQuestions.Tapes(chance),
                    DrillKind.Datums => DrillQuestions.Datums(chance),
                    DrillKind.OffReading => DrillQuestions.OffReadings(chance),
                    DrillKind.Figures => DrillQuestions.Figures(chance),
                    DrillKind.Cards => DrillQuestions.Cards(chance),
                    _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No drill."),
                },
            ]
        );
    }

    /// <summary>How many answers are right; what is missing is wrong.</summary>
    /// <param name="answers">The answers, in the order of the questions.</param>
    public int Mark(IReadOnlyList<int?> answers) =>
        Questions.Where((q, i) => q.IsRight(i < answers.Count ? answers[i] : null)).Count();
}

/// <summary>A drill that somebody did.</summary>
/// <param name="Kind">What was drilled.</param>
/// <param name="At">When.</param>
/// <param name="Right">Answers that were right.</param>
/// <param name="Of">Questions.</param>
public sealed record DrillDone(DrillKind Kind, DateTimeOffset At, int Right, int Of);

/// <summary>When a drill comes again.</summary>
/// <remarks>Source: docs/computation/practice.md#what-comes-again.</remarks>
/// <param name="Kind">The drill.</param>
/// <param name="Last">How it went last; null where it was never done.</param>
/// <param name="Row">How often in a row it went well.</param>
/// <param name="DueAt">When it is best done again; null is now.</param>
public sealed record DrillAgain(DrillKind Kind, DrillDone? Last, int Row, DateTimeOffset? DueAt)
{
    /// <summary>Least share of right answers that counts as well done.</summary>
    public const double Well = 0.8;

    /// <summary>Days until it comes again, by how often in a row it went well.</summary>
    private static readonly int[] Days = [1, 3, 7, 16, 35, 70];

    /// <summary>When each drill comes again.</summary>
    /// <param name="done">What one person has done.</param>
    public static IReadOnlyList<DrillAgain> Of(IEnumerable<DrillDone> done)
    {
        var byKind = done.ToLookup(d => d.Kind);
        return
        [
            .. Enum.GetValues<DrillKind>().Select(k => OfOne(k, [.. byKind[k].OrderBy(d => d.At)])),
        ];
    }

    private static DrillAgain OfOne(DrillKind kind, DrillDone[] done)
    {
        if (done is not [.., var last])
        {
            return new DrillAgain(kind, null, 0, null);
        }
        var (row, due) = (0, DateTimeOffset.MinValue);
        foreach (var one in done)
        {
            if (one.Of == 0 || (double)one.Right / one.Of < Well)
            {
                (row, due) = (0, one.At.AddDays(Days[0]));
            }
            // Twice on one afternoon is one time: only what was due, or never done, shows that it stays.
            else if (one.At >= due)
            {
                row++;
                due = one.At.AddDays(Days[Math.Min(row, Days.Length) - 1]);
            }
        }
        return new DrillAgain(kind, last, row, due);
    }
}
