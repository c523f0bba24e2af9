using System.Globalization;
using System.Text.RegularExpressions;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>Drills ask what has one right answer, and come again when they are due.</summary>
public sealed partial class DrillTests
{
    public static TheoryData<DrillKind> Kinds => [.. Enum.GetValues<DrillKind>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void The_same_seed_asks_the_same_and_every_question_has_one_answer(DrillKind kind)
    {
        for (var seed = 0; seed < 5; seed++)
        {
            var drill = Drill.Of(kind, seed);
            Assert.Equal(Written(drill), Written(Drill.Of(kind, seed)));
            Assert.NotEqual(Written(drill), Written(Drill.Of(kind, seed + 100)));
            Assert.All(
                drill.Questions,
                q =>
                {
                    Assert.Equal(q.Choices.Count == 0, q.Tape is not null);
                    Assert.True(q.IsRight(q.Right));
                    Assert.False(q.IsRight(null));
                    if (q.Choices.Count > 0)
                    {
                        Assert.InRange(q.Right, 0, q.Choices.Count - 1);
                        Assert.Equal(q.Choices.Count, q.Choices.Distinct().Count());
                        Assert.False(q.IsRight(q.Right + 1));
                    }
                    Assert.EndsWith(".", q.Why, StringComparison.Ordinal);
                }
            );
            int?[] right = [.. drill.Questions.Select(q => (int?)q.Right)];
            Assert.Equal(drill.Questions.Count, drill.Mark(right));
            Assert.Equal(drill.Questions.Count - 1, drill.Mark([null, .. right[1..]]));
            Assert.Equal(1, drill.Mark(right[..1]));
        }

        static string Written(Drill drill) =>
            System.Text.Json.JsonSerializer.Serialize(drill.Questions, JobJson.Options);
    }

    [Theory]
    [InlineData(DrillKind.Cards, 8)]
    [InlineData(DrillKind.OffReading, 8)]
    public void A_drill_takes_two_minutes(DrillKind kind, int questions) =>
        Assert.Equal(questions, Drill.Of(kind, 4).Questions.Count);

    [Fact]
    public void What_rose_is_what_it_stands_at_less_what_it_stood_at_and_one_does_not_fit()
    {
        foreach (var question in Drill.Of(DrillKind.OffReading, 4).Questions)
        {
            var rose = question
                .Rows.Skip(1)
                .Select(row =>
                {
                    var mm = row.Figures.Select(Sixteenths).ToArray();
                    Assert.Equal(mm[1] - mm[0], mm[2]);
                    return mm[2];
                })
                .ToArray();
            // It was lifted: every station that was not misread has risen.
            Assert.All(rose.Where((_, i) => i != question.Right), r => Assert.True(r > 0));
            // The corners of a stiff body: both diagonals rise alike, unless one of them was misread.
            var at = question.Choices.Select((c, i) => (c, i)).ToDictionary(c => c.c, c => c.i);
            var twist =
                rose[at["Left front"]]
                + rose[at["Right rear"]]
                - rose[at["Right front"]]
                - rose[at["Left rear"]];
            var middle = question
                .Choices[question.Right]
                .Contains("middle", StringComparison.Ordinal);
            Assert.Equal(!middle, Math.Abs(twist) > 4);
            // What the five others say of it lies a slip of 1/2 to 7/8 in beside what was read.
            var said = Sixteenths(
                question.Why[(question.Why.LastIndexOf("risen ", StringComparison.Ordinal) + 6)..^1]
            );
            Assert.InRange(Math.Abs(said - rose[question.Right]), 6, 16);
        }
    }

    [GeneratedRegex(@"^\+?([−-])?(?:(\d+)(?![\d/]))? ?(?:(\d+)/(\d+))? in$")]
    private static partial Regex Inches();

    private static int Sixteenths(string text)
    {
        var parts = Inches().Match(text).Groups;
        int Number(int i, int otherwise) =>
            parts[i].Success ? int.Parse(parts[i].Value, CultureInfo.InvariantCulture) : otherwise;
        return (parts[1].Success ? -1 : 1)
            * ((16 * Number(2, 0)) + (16 / Number(4, 1) * Number(3, 0)));
    }

    [Fact]
    public void A_program_that_reads_the_drawn_lines_gets_all_twenty_tapes()
    {
        var drill = Drill.Of(DrillKind.Tapes, 3);
        Assert.Equal(20, drill.Questions.Count);
        var read = drill
            .Questions.Select(q => (int?)Math.Round(DrawnTapeTests.ReadMm(q.Tape!) / (25.4 / 32)))
            .ToArray();
        Assert.Equal(20, drill.Mark(read));
        Assert.All(
            drill.Questions,
            q =>
                Assert.Equal(
                    $"It reads {LengthText.Show(q.Right * 25.4 / 32, new LengthStyle(Unit.Inch, 32))}.",
                    q.Why
                )
        );
        // A thirty-second off is read well; a sixteenth is not.
        Assert.Equal(20, drill.Mark([.. read.Select(r => r + 1)]));
        Assert.Equal(0, drill.Mark([.. read.Select(r => r - 2)]));
    }

    [Fact]
    public void A_card_forgets_what_its_own_vehicle_needs_and_no_other_choice_is_of_it()
    {
        foreach (var question in Drill.Of(DrillKind.Cards, 4).Questions)
        {
            var missing = question.Choices[question.Right];
            Assert.DoesNotContain(question.Rows, r => r.Name == missing);
            Assert.DoesNotContain(
                question.Choices.Where(c => c != missing),
                c => question.Rows.Any(r => r.Name == c)
            );
            Assert.InRange(question.Rows.Count, 5, 9);
            Assert.Equal(4, question.Choices.Count);
        }
    }

    [Fact]
    public void Where_the_answer_stands_and_what_stands_beside_it_is_drawn_anew_for_each_card()
    {
        var asked = Drill.Of(DrillKind.Cards, 4).Questions;
        Assert.True(asked.Select(q => q.Right).Distinct().Count() > 2);
        // The same work comes twice: then it forgets something else, and something else stands beside it.
        foreach (var twice in asked.GroupBy(q => q.Ask))
        {
            Assert.Equal(2, twice.DistinctBy(q => q.Choices[q.Right]).Count());
            Assert.True(
                twice
                    .SelectMany(q => q.Choices.Where(c => c != q.Choices[q.Right]))
                    .Distinct()
                    .Count() > 3
            );
        }
    }

    [Fact]
    public void A_rear_lip_stands_over_its_hub_as_much_more_than_the_front_one_as_on_a_pickup()
    {
        foreach (var seed in Enumerable.Range(0, 20))
        {
            foreach (var question in Drill.Of(DrillKind.Datums, seed).Questions)
            {
                int Figure(string start) =>
                    Sixteenths(
                        question
                            .Rows.Single(r => r.Name.StartsWith(start, StringComparison.Ordinal))
                            .Figures[0]
                    );
                int Over(string datum) =>
                    datum.StartsWith("hub", StringComparison.Ordinal) ? 0
                    : datum == "floor" ? Figure("Hub over the floor")
                    : Figure("Rim");
                var rear = question.Rows.Single(r =>
                    r.Name.StartsWith("Left rear", StringComparison.Ordinal)
                );
                var (front, behind) = (
                    Figure("Left front") - Over(question.Choices[question.Right]),
                    Figure("Left rear") - Over(rear.Name[(rear.Name.LastIndexOf(' ') + 1)..])
                );
                // 45 to 65 mm, each figure rounded to a sixteenth.
                Assert.InRange((behind - front) * 25.4 / 16, 45 - 4, 65 + 4);
                Assert.InRange(front * 25.4 / 16, 500 - 3, 570 + 3);
            }
        }
    }

    [Fact]
    public void Figures_that_stand_beside_each_other_belong_to_one_part_of_one_lift()
    {
        var (foretold, measured) = (0, 0);
        for (var seed = 0; seed < 20; seed++)
        {
            foreach (var ask in Drill.Of(DrillKind.Figures, seed).Questions.Select(q => q.Ask))
            {
                double[] said =
                [
                    .. Figures()
                        .Matches(ask)
                        .Select(m =>
                            (m.Groups[1].Success ? Number(m.Groups[1]) : 0)
                            + (m.Groups[2].Success ? Number(m.Groups[2]) / Number(m.Groups[3]) : 0)
                        ),
                ];
                if (ask.Contains("times a ratio", StringComparison.Ordinal))
                {
                    foretold++;
                    Assert.InRange(said[0], 0.75, 2);
                    Assert.Equal(1.9 * said[0], said[1], 1 / 16.0);
                }
                if (ask.StartsWith("From the hub", StringComparison.Ordinal))
                {
                    measured++;
                    Assert.Equal(said[1] - said[0], said[2], 1 / 16.0);
                }
            }
        }
        Assert.True(foretold >= 20 && measured >= 20);

        static double Number(Group g) => double.Parse(g.Value, CultureInfo.InvariantCulture);
    }

    [GeneratedRegex(@"(?:(\d+)(?![\d/.]))? ?(?:(\d+)/(\d+))? in\b")]
    private static partial Regex Figures();

    private static readonly DateTimeOffset First = new(2026, 3, 2, 8, 0, 0, TimeSpan.Zero);

    private static DrillAgain After(params (double Day, int Right)[] done) =>
        DrillAgain
            .Of(
                done.Select(d => new DrillDone(DrillKind.Datums, First.AddDays(d.Day), d.Right, 10))
            )
            .Single(a => a.Kind == DrillKind.Datums);

    [Fact]
    public void What_goes_well_comes_again_later_each_time()
    {
        Assert.Equal((0, null), (After().Row, After().DueAt));
        Assert.Equal(First.AddDays(1), After((0, 8)).DueAt);
        Assert.Equal(First.AddDays(1 + 3), After((0, 8), (1, 9)).DueAt);
        Assert.Equal(First.AddDays(4 + 7), After((0, 8), (1, 9), (4, 10)).DueAt);
        var often = After((0, 9), (1, 9), (4, 9), (11, 9), (27, 9), (62, 9), (132, 9));
        Assert.Equal((7, First.AddDays(132 + 70)), (often.Row, often.DueAt));
    }

    [Fact]
    public void What_goes_badly_begins_anew()
    {
        var again = After((0, 9), (1, 9), (4, 7));
        Assert.Equal((0, First.AddDays(5)), (again.Row, again.DueAt));
        Assert.Equal(7, again.Last!.Right);
    }

    [Fact]
    public void Twice_on_one_afternoon_is_one_time()
    {
        var again = After((0, 9), (0.1, 10), (0.2, 10));
        Assert.Equal((1, First.AddDays(1)), (again.Row, again.DueAt));
        // Whatever order they come in from a device that was away.
        Assert.Equal(again, After((0.2, 10), (0, 9), (0.1, 10)));
    }

    [Fact]
    public void Weeks_begin_on_monday_and_hold_what_was_practised_in_them()
    {
        // The 2nd of March 2026 is a Monday.
        var weeks = PracticeWeek.All(
            [
                new(DrillKind.Datums, First, 8, 10),
                new(DrillKind.Tapes, First.AddDays(6), 15, 20),
                new(DrillKind.Tapes, First.AddDays(-1), 20, 20),
            ],
            [new(First.AddDays(2), 60), new(First.AddDays(3), 90), new(First.AddDays(14), 100)],
            8
        );
        Assert.Equal(
            [
                new PracticeWeek(new DateOnly(2026, 3, 16), 0, 0, 0, 1, 100),
                new PracticeWeek(new DateOnly(2026, 3, 2), 2, 23, 30, 2, 75),
                new PracticeWeek(new DateOnly(2026, 2, 23), 1, 20, 20, 0, null),
            ],
            weeks
        );
        Assert.Single(
            PracticeWeek.All([new(DrillKind.Datums, First, 8, 10)], [new(First.AddDays(9), 1)], 1)
        );
        Assert.Empty(PracticeWeek.All([], [], 8));
    }

    [Fact]
    public void Every_drill_has_its_turn() =>
        Assert.Equal(Enum.GetValues<DrillKind>(), DrillAgain.Of([]).Select(a => a.Kind));
}
