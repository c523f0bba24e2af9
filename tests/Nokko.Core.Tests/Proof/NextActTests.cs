using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What is best done next, whatever came out.</summary>
public class NextActTests
{
    private static PlanProof Proof(Verdict? asWanted, Verdict asForetold = Verdict.Reached) =>
        new()
        {
            PlanId = Sample.Id(1),
            WalkRoundId = Sample.Id(2),
            Decides = true,
            WhyNot = [],
            Stations = [],
            Target = [],
            Lifts = [],
            Comparison = null,
            HeldBack = [],
            Marks = [],
            AsWanted = asWanted,
            AsForetold = asForetold,
        };

    private static NextActKind Kind(PlanProof proof) => proof.Next.Kind;

    private static Comparison Doubtful(string station) =>
        new()
        {
            BeforeId = Sample.Id(1),
            AfterId = Sample.Id(2),
            Rises = [],
            Rigid = new(
                0,
                0,
                0,
                [new(station, 9, 4, null, null, 0.9)],
                0.01,
                9,
                0.9,
                RigidVerdict.Slipped,
                [station]
            ),
            Warp = Result.No(Unit.Mm, "not asked"),
            Corners = [],
            Controls = [],
            Differences = [],
            Notes = [],
        };

    private static Causes Missed(params double[] mm) => Causes.Of(CausesTests.Miss(mm));

    [Fact]
    public void What_sits_as_wanted_is_accepted_wherever_it_was_foretold()
    {
        Assert.Equal(NextActKind.Accept, Kind(Proof(Verdict.Reached)));
        Assert.Equal(
            NextActKind.Accept,
            Kind(Proof(Verdict.Reached, Verdict.NotReached) with { Causes = Missed(0, 0, -25, 0) })
        );
        // Nothing was wanted in numbers.
        Assert.Equal(NextActKind.Accept, Kind(Proof(null)));
        Assert.Equal(
            NextActKind.ReadAgain,
            Kind(Proof(null, Verdict.NotReached) with { Causes = Missed(0, 0, -25, 0) })
        );
    }

    [Theory]
    [InlineData(0, 0, -25, 0)]
    [InlineData(14, 13, 0, 1)]
    [InlineData(-9, 2, 2, -1)]
    public void What_is_to_be_checked_is_said_with_the_chance_that_it_is_that(
        double lf,
        double rf,
        double lr,
        double rr
    )
    {
        var causes = Missed(lf, rf, lr, rr);
        var next = causes.Checks[0];
        Assert.True(causes.CheckFirst);
        // What settles both axles is one check of both.
        var chance = causes
            .Classes.SelectMany(c => c.Causes)
            .Where(c =>
                next.Where == "vehicle"
                    ? c.Kind == next.Kind
                    : (c.Kind, c.Where) == (next.Kind, next.Where)
            )
            .Sum(c => c.Chance);
        Assert.Contains(
            string.Create(
                System.Globalization.CultureInfo.InvariantCulture,
                $": {Math.Round(100 * chance)} in 100. It tells most for its {next.Minutes} min."
            ),
            (Proof(Verdict.NotReached, Verdict.NotReached) with { Causes = causes }).Next.Why,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Open_work_comes_before_everything()
    {
        foreach (var verdict in Enum.GetValues<Verdict>())
        {
            var next = (
                Proof(verdict) with
                {
                    HeldBack = ["Track bar is rubber and still open."],
                    Comparison = Doubtful("LR"),
                }
            ).Next;
            Assert.Equal(
                (NextActKind.CloseWork, "Track bar is rubber and still open."),
                (next.Kind, next.Why)
            );
        }
    }

    [Fact]
    public void Without_a_verdict_what_is_in_doubt_is_read_again_and_once_only()
    {
        var unsure = Proof(Verdict.MeasureAgain, Verdict.MeasureAgain);
        Assert.Equal(NextActKind.SettleAndRead, Kind(unsure));
        var one = (unsure with { Comparison = Doubtful("LR") }).Next;
        Assert.Equal(
            (NextActKind.ReadAgain, "LR", "Read left rear again"),
            (one.Kind, one.Where, one.Says)
        );
        // Read twice and still at the edge: no tape tells it apart.
        Assert.Equal(NextActKind.Accept, Kind(unsure with { Rounds = 2 }));
        // But a reading that does not decide is none.
        var not = unsure with
        {
            Rounds = 2,
            Decides = false,
            WhyNot = ["It was not rolled."],
        };
        Assert.Equal(
            (NextActKind.SettleAndRead, "It was not rolled."),
            (not.Next.Kind, not.Next.Why)
        );
        Assert.Equal(
            NextActKind.SettleAndRead,
            Kind(Proof(Verdict.CannotTell, Verdict.CannotTell) with { Rounds = 2 })
        );
    }

    [Fact]
    public void A_miss_is_checked_by_what_tells_most_and_what_lands_off_for_nothing_is_changed()
    {
        PlanProof Miss(Causes? causes) => Proof(Verdict.NotReached) with { Causes = causes };
        Assert.Equal(NextActKind.SecondPass, Kind(Miss(null)));
        var slip = Miss(Missed(0, 0, -25, 0)).Next;
        Assert.Equal((NextActKind.ReadAgain, "LR"), (slip.Kind, slip.Where));

        var high = CausesTests.Miss(8, 8, 0, 0);
        // Nobody rolled it: roll it. It was rolled: after some miles.
        Assert.Equal(
            NextActKind.SettleAndRead,
            Kind(Miss(Causes.Of(high with { Settled = false })))
        );
        var rolled = high with
        {
            Checked = [new(CauseKind.TightenedHanging, "front", false, true)],
        };
        Assert.Equal(NextActKind.MeasureLater, Kind(Miss(Causes.Of(rolled))));
        Assert.Contains("100 miles", Miss(Causes.Of(rolled)).Next.Says, StringComparison.Ordinal);

        var cargo = Miss(
            Causes.Of(CausesTests.Miss(1, 1, -9, -9) with { CargoDiffers = true })
        ).Next;
        Assert.Equal(
            (NextActKind.SettleAndRead, "Load it as it was, roll it, read again"),
            (cargo.Kind, cargo.Says)
        );
    }

    [Fact]
    public void What_was_found_is_put_right_or_counted_on()
    {
        var miss = CausesTests.Miss(8, 8, 0, 0) with { NewSprings = [Axle.Front] };
        NextAct After(CauseKind kind) =>
            (
                Proof(Verdict.NotReached) with
                {
                    Causes = Causes.Of(miss with { Checked = [new(kind, "front", true, true)] }),
                }
            ).Next;
        Assert.Equal(NextActKind.Mend, After(CauseKind.TightenedHanging).Kind);
        Assert.Contains(
            "rubber tightened hanging in front",
            After(CauseKind.TightenedHanging).Why,
            StringComparison.Ordinal
        );
        Assert.Equal(NextActKind.SecondPass, After(CauseKind.SaggedMore).Kind);
    }

    [Fact]
    public void Every_way_says_its_hours_and_why()
    {
        var next = (Proof(Verdict.NotReached) with { Causes = Missed(9, 4, 1, -2) }).Next;
        Assert.Matches(@"\d in 100\. It tells most for its \d+ min\.", next.Why);
        Assert.Matches(@"\d\.\d h on average .* at once \d\.\d h", next.Why);
    }
}
