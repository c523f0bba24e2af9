using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What an axle's offset and its pinion say of why a vehicle sits off its plan.</summary>
public class TurnedTests
{
    private static readonly double[] Before = [520, 1040, 580, 580, 1040, 520];

    // One front lip high by 16 mm, the rest as the strut spacers were foretold.
    private static readonly double[] OneHigh = [587.26, 1090, 580, 580, 1090, 571.26];

    [Fact]
    public void An_angle_that_did_not_turn_says_that_the_tape_slipped()
    {
        // One lip stands high: its spring, or a slip of the tape. Read so loosely that heights leave both open.
        double[] lips = [15, 3, 2, -2];
        var miss = CausesTests.Miss(lips) with
        {
            Lips = [.. Corners.All.Select((c, i) => (c, lips[i], 36.0))],
        };
        double SpringToSlip(params Causes.Turned[] turned)
        {
            var causes = Causes.Of(miss with { Turned = turned });
            double Chance(CauseKind kind) => CausesTests.Of(causes, kind, "LF").Chance;
            return Chance(CauseKind.NotSeated) / Chance(CauseKind.Slip);
        }
        var unread = SpringToSlip();
        // An angle of 0.3° a mm of the frame over the axle, which stands 9 mm high by both lips.
        Assert.True(SpringToSlip(new Causes.Turned(2.7, 0.25, new(0.3, 0))) > 2 * unread);
        Assert.True(SpringToSlip(new Causes.Turned(0, 0.25, new(0.3, 0))) < unread / 2);
        // Read too roughly it says next to nothing.
        Assert.Equal(1, SpringToSlip(new Causes.Turned(0, 100, new(0.3, 0))) / unread, 0.1);
    }

    [Fact]
    public void A_part_that_sets_it_a_rule_of_thumb_and_one_reading_twice_do_not_speak()
    {
        var spoken = Chances([Pinion()]);
        Assert.NotEqual(Chances([]), spoken);
        // The shaft's joint holds the pinion's reading once more.
        Assert.Equal(spoken, Chances([Pinion(), Pinion() with { Kind = MechanismKind.Propshaft }]));
        Assert.NotEqual(Chances([]), Chances([Pinion() with { Kind = MechanismKind.Propshaft }]));
        // By a rule of thumb it was foretold: nothing is held against it.
        Assert.Equal(Chances([]), Chances([Pinion() with { AsForetold = null }]));
        // A bracket that came set the pinion by hand's measure, not by height.
        Assert.Equal(Chances([], PartKind.LinkBracket), Chances([Pinion()], PartKind.LinkBracket));
        // What came on the other kind of part leaves it a witness.
        Assert.NotEqual(
            Chances([], PartKind.SwayBarLink),
            Chances([Pinion()], PartKind.SwayBarLink)
        );
    }

    [Fact]
    public void How_much_more_it_moves_is_what_thicker_rings_do()
    {
        // Second way: rings that are a little thicker, and how far the frame rose by them.
        var vehicle = StacksTests.On(
            Moved.OnBentLinks(Moved.Bar),
            Moved.OnBentLinks([
                .. Moved.Bar,
                (SuspensionSizes.PinionUp, 3),
                (SuspensionSizes.OutputSlope, 2),
                (SuspensionSizes.ShaftRun, 1200),
                (SuspensionSizes.ShaftDrop, 150),
            ])
        );
        var job = Sample.Job(Before) with { Vehicle = vehicle };
        var stage = Sample.AsFound with { Front = vehicle.Front, Rear = vehicle.Rear };
        job = job with { Stages = [stage] };
        IReadOnlyList<ForetoldMove> Moves(double front, double rear) =>
            JobGeometry.MovesOf(job, Sample.Plan(Moved.Rings(front, rear)), PlatformEvidence.None);
        PlanGeometry Geometry(double front, double rear) =>
            JobGeometry.Of(job, Sample.Plan(Moved.Rings(front, rear)), PlatformEvidence.None);
        var at = Moves(40, 30);
        var told = 0;
        foreach (var (front, rear) in new[] { (40.5, 30.0), (40.0, 30.5) })
        {
            var (was, now) = (Geometry(40, 30), Geometry(front, rear));
            var (f, r) = (
                now.FrontRise.Value!.Value - was.FrontRise.Value!.Value,
                now.RearRise.Value!.Value - was.RearRise.Value!.Value
            );
            foreach (var (move, after) in at.Zip(Moves(front, rear)))
            {
                if (move.More is { } more)
                {
                    told++;
                    Assert.Equal(
                        after.Change.Value!.Value - move.Change.Value!.Value,
                        (more.Front * f) + (more.Rear * r),
                        0.002
                    );
                }
            }
        }
        Assert.True(told >= 8);
        // A lamp's mark and the room over a tyre are not told by one axle's rise.
        Assert.All(
            at.Where(m => m.Kind is MechanismKind.Headlights or MechanismKind.Contacts),
            m => Assert.Null(m.More)
        );
    }

    [Fact]
    public void Camber_that_a_rack_sets_anew_is_no_witness()
    {
        var job = Sample.Job(Before);
        var arms = JobGeometry
            .MovesOf(job, job.Plans[0], PlatformEvidence.None)
            .Single(m => m.Kind == MechanismKind.Arms && m.Where == "front");
        Assert.Null(arms.More);
    }

    private static MovedProof Pinion() =>
        new(
            MechanismKind.Pinion,
            "front",
            Result.Of(1, Unit.Degree, 0.2, []),
            Result.Of(1, Unit.Degree, 0.2, [], Known.Measured),
            true
        );

    private static double[] Chances(MovedProof[] moved, PartKind? beside = null)
    {
        var job = Sample.Job(Before, OneHigh);
        var results = JobEvaluator.Evaluate(job);
        var plan = job.Plans[0];
        if (beside is { } kind)
        {
            plan = plan with
            {
                Stacks =
                [
                    .. plan.Stacks.Select(s =>
                        Corners.AxleOf(s.Corner) == Axle.Front
                            ? s with
                            {
                                Parts =
                                [
                                    .. s.Parts,
                                    StacksTests.Part(80 + (int)s.Corner, kind, 10),
                                ],
                            }
                            : s
                    ),
                ],
            };
        }
        var frozen = job.FrozenPredictions[0].Prediction with
        {
            Moves =
            [
                .. new[] { MechanismKind.Pinion, MechanismKind.Propshaft }.Select(
                    k => new ForetoldMove(
                        k,
                        "front",
                        Result.Of(1, Unit.Degree, 0.2, []),
                        More: new(0.08, 0)
                    )
                ),
            ],
        };
        var causes = Causes.Of(
            results.Proofs[0],
            frozen,
            plan,
            job.Stages[0],
            job.Vehicle,
            new Causes.Beside
            {
                Now = results.WalkRounds[^1],
                Before = results.WalkRounds[0],
                Settled = Settled.Rolled,
                Hanging = [],
                Moved = moved,
                Confirmed = new Dictionary<CauseKind, int>(),
            }
        );
        return
        [
            .. Assert
                .IsType<Causes>(causes)
                .Classes.SelectMany(c => c.Causes)
                .OrderBy(c => (c.Kind, c.Where))
                .Select(c => Math.Round(c.Chance, 9)),
        ];
    }
}
