using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is told at the hand-over, and who signs it.</summary>
public class SignTests
{
    private static readonly IReadOnlyList<IReadOnlyList<int>> Drawn =
    [
        [10, 20, 300, 40, 500, 200, 900, 20],
    ];

    private readonly Workshop _shop = new();

    private IReadOnlyList<string> Told =>
        ToldToDriver.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document), LengthStyle.Inches);

    private Sign By(string name = "Wren Quarry") =>
        new(_shop.Key(), _shop.Key(), name, SignedAs.Owner, Told, Drawn);

    private void After(string front) =>
        _shop.ReadAll(
            ("LF", front),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", front)
        );

    [Fact]
    public void What_was_read_is_what_was_signed_and_stays_so()
    {
        _shop.Begun();
        var told = Told;
        _shop.Do(By());
        var row = _shop.Document.Signatures.Single();
        Assert.Equal(told, row.Told);
        Assert.Equal("Wren Quarry", row.Name);
        Assert.Equal(Drawn, row.Strokes);
        After("22 1/2");
        Assert.NotEqual(told, Told);
        Assert.Equal(told, _shop.Document.Signatures.Single().Told);
    }

    /// <summary>20 1/2 in before: each corner by its own rise, the greatest is told.</summary>
    [Theory]
    [InlineData("22 1/2", "22 1/4", "2 in higher")]
    [InlineData("22 1/4", "22 1/2", "2 in higher")]
    [InlineData("22", "22", "1 1/2 in higher")]
    public void How_much_higher_it_stands_at_most_is_told(string left, string right, string says)
    {
        _shop.Begun();
        _shop.DoTheWork();
        _shop.ReadAll(
            ("LF", left),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", right)
        );
        Assert.Contains(
            Told,
            t => t.StartsWith($"It stands up to {says}", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Nobody_signs_what_changed_while_the_pen_was_in_the_hand()
    {
        _shop.Begun();
        var early = By();
        After("22 1/2");
        var refused = _shop.Refused(early);
        Assert.Equal("told", refused.Field);
        Assert.Contains("read it again", refused.Message, StringComparison.Ordinal);
        _shop.Do(early with { Told = Told });
    }

    [Fact]
    public void Nothing_drawn_nobody_named_and_nothing_fitted_are_refused_where_they_stand()
    {
        Assert.Equal("told", _shop.Refused(By()).Field);
        _shop.Begun();
        Assert.Equal("name", _shop.Refused(By("  ")).Field);
        Assert.Equal("as", _shop.Refused(By() with { As = (SignedAs)7 }).Field);
        foreach (
            var strokes in new IReadOnlyList<IReadOnlyList<int>>[]
            {
                [],
                [
                    [],
                ],
                [
                    [5, 5, 6, 6],
                ],
                [
                    [5, 5, 6, 6, 7, 7, 1001, 8],
                ],
                [
                    [5, 5, 6, 6, 7, 7, 8, 301],
                ],
                [
                    [5, 5, 6, 6, 7, 7, 8, -1],
                ],
                [
                    [5, 5, 6, 6, 7, 7, 8, 8, 9],
                ],
                [
                    [.. Enumerable.Repeat(9, Signature.Most + 2)],
                ],
            }
        )
        {
            Assert.Equal("strokes", _shop.Refused(By() with { Strokes = strokes }).Field);
        }
    }

    [Fact]
    public void A_name_and_what_its_bearer_drew_are_never_in_the_log()
    {
        _shop.Begun();
        var command = By();
        var made = _shop.Do(command);
        // What it changed, and what was sent.
        var log =
            System.Text.Json.JsonSerializer.Serialize(
                made.Changes.Select(RecordedChange.Of),
                JobJson.Options
            ) + System.Text.Json.JsonSerializer.Serialize<JobCommand>(command, JobJson.Log);
        Assert.DoesNotContain("Quarry", log, StringComparison.Ordinal);
        Assert.DoesNotContain("900", log, StringComparison.Ordinal);
    }

    [Fact]
    public void It_is_told_how_much_higher_it_stands_where_that_was_measured()
    {
        _shop.Begun();
        Assert.Contains(Told, t => t.Contains("nobody measured", StringComparison.Ordinal));
        After("22 1/2");
        Assert.Contains(
            Told,
            t => t.StartsWith("It stands up to 2 in higher", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(Told, t => t.Contains("lower", StringComparison.Ordinal));
        After("19");
        Assert.Contains(
            Told,
            t => t.StartsWith("It stands up to 1 1/2 in lower", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(Told, t => t.Contains("weight", StringComparison.Ordinal));
    }

    [Fact]
    public void Room_at_lock_is_told_only_where_it_was_measured()
    {
        _shop.Begun();
        Assert.DoesNotContain(
            Told,
            t => t.Contains("full lock the tyre", StringComparison.Ordinal)
        );
        After("22 1/2");
        foreach (var (place, typed) in new[] { ("LF", "1 1/4"), ("RF", "7/8") })
        {
            _shop.Measure(Core.WalkRounds.Measures.FenderAtLock, place, typed);
        }
        Assert.Contains(
            Told,
            t => t.StartsWith("At full lock the tyre has 7/8 in", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_was_signed_before_a_second_pass_stands_under_nothing_of_it()
    {
        _shop.Begun();
        _shop.Do(By());
        Assert.Single(_shop.Document.SignedNow());
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin("it is wanted"));
        Assert.Empty(_shop.Document.SignedNow());
        // It stays on the record of what was told then.
        Assert.Single(_shop.Document.Signatures);
        _shop.Do(By("Brack"));
        Assert.Equal("Brack", _shop.Document.SignedNow().Single().Name);
    }

    [Fact]
    public void Wheels_that_were_off_and_what_was_opened_are_told()
    {
        _shop.Begun();
        Assert.Contains(Told, t => t.StartsWith("The wheels were off", StringComparison.Ordinal));
        Assert.Contains(Told, t => t.Contains("a knock over bumps", StringComparison.Ordinal));
        Assert.DoesNotContain(Told, t => t.Contains("height control", StringComparison.Ordinal));
    }
}
