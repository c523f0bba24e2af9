using CsCheck;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Which bolts a plan makes longer, by what, and which old ones serve in another place.</summary>
public class BoltTableTests
{
    private const string Lf1 = "LF cab mount to frame, front one";
    private const string Lf2 = "LF cab mount to frame, rear one";
    private const string Rf1 = "RF cab mount to frame, front one";

    private readonly Workshop _shop = new();

    /// <summary>A plan with a puck of 25 mm at each corner.</summary>
    private Guid Pucks(params Corner[] corners)
    {
        _shop.ReadBefore();
        var puck = Puck(25);
        var plan = _shop.Key();
        _shop.Do(
            _shop.PlanWith(puck, plan, corners: corners.Length > 0 ? corners : [.. Corners.All])
        );
        return plan;
    }

    private Part Puck(double mm)
    {
        var puck = _shop.Plates(8) with
        {
            Kind = PartKind.BodyPuck,
            Name = "puck",
            Thickness = Sample.Mm(mm),
        };
        return _shop.Shelf[puck.Id] = puck;
    }

    private static FastenerInput Bolt(
        double mm,
        string? thread = "M12 × 1.75",
        string? grade = "10.9",
        bool newOnly = false,
        int count = 1
    ) =>
        new(
            "mount bolt",
            count,
            thread,
            Workshop.Typed(FormattableString.Invariant($"{mm}"), Unit.Mm),
            null,
            null,
            newOnly,
            null,
            grade
        );

    private NoteJoint Note(Guid plan, string place, params FastenerInput[] bolts) =>
        new(_shop.Key(), _shop.Key(), plan, place, bolts);

    private IReadOnlyList<BoltRow> Rows(Guid plan) =>
        Progress.CardOf(_shop.Document, Plan(plan)).Bolts;

    private Plan Plan(Guid id) => _shop.Document.Plans.Single(p => p.Id == id);

    private BoltRow Row(Guid plan, string place) => Rows(plan).Single(r => r.Place == place);

    [Fact]
    public void Every_mount_of_a_corner_with_a_puck_needs_its_old_length_and_the_puck()
    {
        var plan = Pucks(Corner.LF, Corner.RF);
        Assert.Equal(4, Rows(plan).Count);
        Assert.All(
            Rows(plan),
            r =>
            {
                Assert.Equal((null, 25, null, 1), (r.NowMm, r.GrowsMm, r.NeededMm, r.New));
                Assert.Contains("cab mount", r.Place, StringComparison.Ordinal);
            }
        );
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        Assert.Equal((100, 125, 1), Of(Row(plan, Lf1)));
        // It stays the vehicle's own.
        var joint = _shop.Document.Joints.Single();
        Assert.Equal((Lf1, "LF", JointKind.Cushion), (joint.Place, joint.Where, joint.Kind));
        Assert.Equal("10.9", joint.Fasteners[0].Grade);
    }

    private static (double?, double?, int?) Of(BoltRow r) => (r.NowMm, r.NeededMm, r.New);

    [Fact]
    public void An_old_bolt_serves_where_it_is_as_long_as_needed_or_three_threads_longer()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        foreach (
            var (mm, serves) in new[]
            {
                (124.4, false),
                (124.6, true),
                (125, true),
                (130, true),
                (130.1, false),
            }
        )
        {
            var before = _shop.Document;
            _shop.Do(Note(plan, Lf2, Bolt(mm)));
            var (to, from) = (Row(plan, Lf1), Row(plan, Lf2));
            Assert.Equal(serves ? [new OldBolts(Lf2, "mount bolt", 1)] : [], to.Old);
            Assert.Equal((serves ? 0 : 1, serves ? 1 : 0), (to.New, from.Serve));
            Assert.Equal((1, 0), (from.New, to.Serve));
            _shop.Document = before;
        }
    }

    [Theory]
    [InlineData("m12x1.75", "10.9", false, true)]
    [InlineData("M12 × 1.5", "10.9", false, false)]
    [InlineData(null, "10.9", false, false)]
    [InlineData("M12 × 1.75", "8.8", false, false)]
    [InlineData("M12 × 1.75", null, false, false)]
    [InlineData("M12 × 1.75", "10.9", true, false)]
    public void An_old_bolt_serves_with_the_same_thread_and_grade_unless_it_is_never_used_again(
        string? thread,
        string? grade,
        bool newOnly,
        bool serves
    )
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        _shop.Do(Note(plan, Lf2, Bolt(125, thread, grade, newOnly)));
        Assert.Equal(serves ? 1 : 0, Row(plan, Lf2).Serve);
        Assert.Equal(serves ? 0 : 1, Row(plan, Lf1).New);
    }

    [Fact]
    public void Where_a_bolt_must_be_new_no_old_one_serves()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100, newOnly: true)));
        _shop.Do(Note(plan, Lf2, Bolt(125)));
        Assert.Empty(Row(plan, Lf1).Old);
        Assert.Equal(1, Row(plan, Lf1).New);
    }

    [Fact]
    public void A_bolt_is_out_before_it_goes_in_elsewhere()
    {
        var plan = Pucks();
        // The left side is home before the right one is undone.
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        _shop.Do(Note(plan, Rf1, Bolt(125)));
        Assert.Equal((0, 1), (Row(plan, Rf1).Serve, Row(plan, Lf1).New));

        var other = new BoltTableTests();
        plan = other.Pucks();
        other._shop.Do(other.Note(plan, Lf1, Bolt(125)));
        other._shop.Do(other.Note(plan, Rf1, Bolt(100)));
        Assert.Equal((1, 0), (other.Row(plan, Lf1).Serve, other.Row(plan, Rf1).New));
    }

    [Fact]
    public void As_many_old_bolts_serve_as_can_by_trying_every_way()
    {
        var plan = Pucks();
        string[] places = [.. Rows(plan).Select(r => r.Place)];
        Assert.Equal(8, places.Length);
        var empty = _shop.Document;
        Gen.Int[0, 12]
            .Array[8]
            .Select(Gen.Int[1, 3].Array[8])
            .Sample(
                (steps, counts) =>
                {
                    _shop.Document = empty;
                    foreach (var (place, i) in places.Select((p, i) => (p, i)))
                    {
                        _shop.Do(Note(plan, place, Bolt(80 + 5 * steps[i], count: counts[i])));
                    }
                    var rows = Rows(plan);
                    Assert.Equal(Most(plan, rows), rows.Sum(r => r.Old.Sum(o => o.Count)));
                    Assert.Equal(rows.Sum(r => r.Serve), rows.Sum(r => r.Old.Sum(o => o.Count)));
                    Assert.All(
                        rows,
                        r =>
                        {
                            Assert.InRange(r.Serve, 0, r.Fastener.Count);
                            Assert.Equal(r.Fastener.Count - r.Old.Sum(o => o.Count), r.New);
                        }
                    );
                },
                iter: Sample.Tries(60),
                threads: 1
            );
    }

    /// <summary>The most that can serve: every way of giving, remembered by what is left.</summary>
    private int Most(Guid plan, IReadOnlyList<BoltRow> rows)
    {
        var steps = Progress.CardOf(_shop.Document, Plan(plan)).Steps.ToList();
        var seen = new Dictionary<(int, string), int>();
        return From(0, [.. rows.Select(r => r.Fastener.Count)]);

        // One taker after the other takes from each giver what it may.
        int From(int taker, int[] left)
        {
            if (taker == rows.Count)
            {
                return 0;
            }
            var key = (taker, string.Join(',', left));
            return seen.TryGetValue(key, out var known)
                ? known
                : seen[key] = Take(taker, 0, rows[taker].Fastener.Count, left);
        }

        int Take(int taker, int giver, int wants, int[] left)
        {
            if (giver == rows.Count)
            {
                return From(taker + 1, left);
            }
            var may = Serves(rows[giver], rows[taker]) ? Math.Min(wants, left[giver]) : 0;
            var best = 0;
            for (var n = 0; n <= may; n++)
            {
                int[] then = [.. left];
                then[giver] -= n;
                best = Math.Max(best, n + Take(taker, giver + 1, wants - n, then));
            }
            return best;
        }

        bool Serves(BoltRow from, BoltRow to) =>
            from.NowMm >= to.NeededMm - 0.5
            && from.NowMm <= to.NeededMm + 5
            && steps.FindIndex(s => s.Opens.Contains(from.Place))
                < steps.FindIndex(s => s.Pass == Pass.Hand && s.Joints.Contains(to.Place));
    }

    [Fact]
    public void The_card_says_it_where_the_bolt_comes_out_and_where_it_goes_in()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        _shop.Do(Note(plan, Lf2, Bolt(125)));
        var steps = Progress.CardOf(_shop.Document, Plan(plan)).Steps;
        Assert.Contains(
            $"{Lf2}: keep 1 of its bolts for {Lf1}",
            steps.Single(s => s.Opens.Contains(Lf2)).Lines
        );
        Assert.Contains(
            $"{Lf1}: mount bolt {LengthText.Both(125)} long, 1 old of {Lf2}",
            steps.Single(s => s.Pass == Pass.Hand && s.Joints.Contains(Lf1)).Lines
        );
        Assert.Contains(
            $"{Lf2}: mount bolt {LengthText.Both(150)} long",
            steps.Single(s => s.Pass == Pass.Hand && s.Joints.Contains(Lf2)).Lines
        );
    }

    [Fact]
    public void What_one_fitting_put_in_is_what_the_next_one_finds()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        _shop.Do(_shop.Begin());
        Assert.Equal((100, 125, 1), Of(Row(plan, Lf1)));
        var kept = _shop.Document.Joints.Single(j => j.Place == Lf1).Fasteners[0];
        Assert.Equal((100, 125), (kept.LengthFound!.In(Unit.Mm), kept.LengthNeeded!.In(Unit.Mm)));

        // The pucks out again.
        var next = _shop.Key();
        _shop.Do(
            new SavePlan(_shop.Key(), next, null, _shop.Document.CurrentStage()!.Id, "out", [])
        );
        Assert.Equal((125, 100, 1), Of(Row(next, Lf1)));
        Assert.Equal(-25, Row(next, Lf1).GrowsMm);
    }

    [Fact]
    public void What_stands_there_from_an_earlier_fitting_is_not_bought_again()
    {
        var first = Pucks();
        _shop.Do(Note(first, Lf1, Bolt(100)));
        _shop.Do(_shop.Begin());
        // A second puck on the right only: the left mounts are loosened, and keep what is in them.
        var stage = _shop.Document.CurrentStage()!;
        var (next, puck) = (_shop.Key(), Puck(10));
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                next,
                null,
                stage.Id,
                "right",
                [
                    .. stage.Stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [
                            .. s.Parts.Select(p => new PlacingInput(p.Id, null)),
                            .. s.Corner == Corner.RF
                                ? [new PlacingInput(_shop.Key(), puck.Id)]
                                : Array.Empty<PlacingInput>(),
                        ]
                    )),
                ]
            )
        );
        Assert.Contains(Progress.CardOf(_shop.Document, Plan(next)).Joints, j => j.Place == Lf1);
        Assert.DoesNotContain(Rows(next), r => r.Place == Lf1);
        Assert.DoesNotContain(Lines(next), IsLeft);
        _shop.Do(
            new BeginFitting(
                _shop.Key(),
                next,
                0,
                _shop.Key(),
                _shop.Key(),
                _shop.Key(),
                "it is wanted"
            )
        );
        Assert.DoesNotContain(Lines(next), IsLeft);
        var kept = _shop.Document.Joints.Single(j => j.Place == Lf1).Fasteners[0];
        Assert.Equal((125, null), (kept.LengthFound!.In(Unit.Mm), kept.LengthNeeded));

        static bool IsLeft(BuyLine l) =>
            l.Where == "LF" && l.What.Contains("front one", StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_grows_where_a_puck_gives_way_to_one_as_thick()
    {
        var first = Pucks();
        _shop.Do(Note(first, Lf1, Bolt(100)));
        _shop.Do(_shop.Begin());
        var next = _shop.Key();
        _shop.Do(_shop.PlanWith(Puck(25), next, "other pucks", [.. Corners.All]));
        var row = Row(next, Lf1);
        Assert.Equal((125, 125, 0), Of(row));
        Assert.False(row.Another);
        // What it stands on is what is in it, not what was found first.
        _shop.Do(
            new BeginFitting(
                _shop.Key(),
                next,
                0,
                _shop.Key(),
                _shop.Key(),
                _shop.Key(),
                "it is wanted"
            )
        );
        Assert.Equal(
            125,
            _shop.Document.Joints.Single(j => j.Place == Lf1).Fasteners[0].LengthFound!.In(Unit.Mm)
        );
    }

    [Fact]
    public void A_bracket_makes_bolts_longer_by_what_is_noted_of_it_else_nobody_knows()
    {
        _shop.ReadBefore();
        var bracket = _shop.Plates(4) with
        {
            Kind = PartKind.DiffDrop,
            Name = "lowered differential",
            Thickness = Sample.Mm(25),
        };
        _shop.Shelf[bracket.Id] = bracket;
        var plan = _shop.Key();
        _shop.Do(_shop.PlanWith(bracket, plan, corners: [Corner.LF]));
        var row = Assert.Single(Rows(plan));
        Assert.Equal(("front", (double?)null), (row.Where, row.GrowsMm));
        Assert.Equal(row.Fastener.NewPartOnly ? row.Fastener.Count : null, row.New);

        var noted = bracket with
        {
            Id = _shop.Key(),
            Dimensions = new Dictionary<string, Quantity>
            {
                [PartSizes.BoltsLonger] = Sample.Mm(12),
            },
        };
        _shop.Shelf[noted.Id] = noted;
        var other = _shop.Key();
        _shop.Do(_shop.PlanWith(noted, other, "Plan B", Corner.LF));
        Assert.Equal(12, Assert.Single(Rows(other)).GrowsMm);
    }

    [Fact]
    public void What_is_bought_is_what_no_old_bolt_serves_for()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100, count: 2)));
        _shop.Do(Note(plan, Lf2, Bolt(125)));
        var line = Lines(plan)
            .Single(l =>
                l.What.Contains("10.9", StringComparison.Ordinal)
                && l.Count == 1
                && l.What.Contains("front one", StringComparison.Ordinal)
            );
        Assert.Equal(
            ("LF", "another length; old ones serve for the other 1"),
            (line.Where, line.Why)
        );
        Assert.EndsWith(
            $"M12 × 1.75, 10.9, {LengthText.Both(125)} long",
            line.What,
            StringComparison.Ordinal
        );
    }

    private IReadOnlyList<BuyLine> Lines(Guid plan)
    {
        var d = _shop.Document;
        var prediction = JobEvaluator.Evaluate(d).Predictions.Single(p => p.PlanId == plan);
        return ShoppingList.Of(d, Plan(plan), prediction, _shop.Shelf).Lines;
    }

    [Fact]
    public void A_joint_is_noted_once_and_only_where_the_plan_opens_it()
    {
        var plan = Pucks();
        _shop.Do(Note(plan, Lf1, Bolt(100)));
        var twice = _shop.Refused(Note(plan, Lf1, Bolt(110)));
        Assert.Equal((RefusalKind.Conflict, "place"), (twice.Kind, twice.Field));
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(Note(plan, "LF strut foot to lower arm", Bolt(110))).Kind
        );
        Assert.Equal(RefusalKind.Gone, _shop.Refused(Note(_shop.Key(), Lf2, Bolt(110))).Kind);
        Assert.Equal(
            "fasteners[1].count",
            _shop.Refused(Note(plan, Lf2, Bolt(110), Bolt(110, count: 0))).Field
        );
        Assert.Single(_shop.Document.Joints);
    }
}
