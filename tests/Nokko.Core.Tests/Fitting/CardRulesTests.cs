using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>What holds for every card, over suspensions, parts, equipment and schools.</summary>
public class CardRulesTests
{
    private sealed record Case(
        string Said,
        bool Both,
        JobCard Card,
        JobCard Mirrored,
        JobCard Back
    );

    private static readonly Lazy<IReadOnlyList<Case>> All = new(() => [.. Cases()]);

    private static IEnumerable<Case> Cases()
    {
        var random = new Random(13);
        T Any<T>()
            where T : struct, Enum => random.GetItems(Enum.GetValues<T>(), 1)[0];
        foreach (var axle in Corners.Axles)
        {
            foreach (var kind in Enum.GetValues<SuspensionKind>())
            {
                var fit = Enum.GetValues<PartKind>()
                    .Where(p => PartRule.Of(p).FitsOn(kind))
                    .ToArray();
                // Each part by itself on one side or on both (with more tries on each), then parts in company.
                foreach (
                    var (parts, both) in fit.SelectMany(p =>
                            Sample.More > 1
                                ? new[] { (new[] { p }, false), (new[] { p }, true) }
                                : [(new[] { p }, random.Next(2) == 0)]
                        )
                        .Concat(
                            Enumerable
                                .Range(0, Sample.Tries(3))
                                .Select(_ =>
                                    (
                                        random.GetItems(fit, 3).Distinct().ToArray(),
                                        random.Next(3) > 0
                                    )
                                )
                        )
                )
                {
                    var equipment = Any<Equipment>();
                    var schools = new FittingSchools
                    {
                        OpenArm = Any<OpenArm>(),
                        Sides = Any<SidesWay>(),
                        Subframe = Any<SubframeWay>(),
                        TrackBar = Any<TrackBarWay>(),
                        HalfShaft = Any<HalfShaftWay>(),
                        First = Any<EndFirst>(),
                        Stands = Any<StandsWay>(),
                        Caliper = Any<CaliperWay>(),
                        Taper = Any<TaperWay>(),
                        LineUp = Any<LineUpWay>(),
                        CoilsLoose = Any<CoilsLooseWay>(),
                        Threads = Any<ThreadsWay>(),
                    };
                    var (left, right) = (Corners.Of(axle)[0], Corners.Of(axle)[1]);
                    var other =
                        axle == Axle.Front
                            ? SuspensionKind.LeafOverslung
                            : SuspensionKind.CoilOverArm;
                    var (front, rear) = axle == Axle.Front ? (kind, other) : (other, kind);
                    var steel = Cards.Vehicle(front, rear);
                    // Air takes the place of any coil that nothing squeezes.
                    var air =
                        kind.HasCoil()
                        && !parts.Any(p => PartRule.Of(p).OpensSpring || PartRule.Of(p).Turned)
                        && random.Next(3) == 0;
                    var vehicle = steel with
                    {
                        Front = air && axle == Axle.Front ? OnAir(steel.Front) : steel.Front,
                        Rear = air && axle == Axle.Rear ? OnAir(steel.Rear) : steel.Rear,
                    };
                    (Corner, PlacedPart)[] At(Corner one, Corner two) =>
                        [
                            .. parts.Select((p, i) => (one, Sample.Plate(30 + i, 25, p))),
                            .. both
                                ? parts.Select((p, i) => (two, Sample.Plate(50 + i, 25, p)))
                                : [],
                        ];
                    JobCard Make((Corner, PlacedPart)[] fitted, bool back = false)
                    {
                        var plan = Sample.Plan(fitted);
                        var stage = Sample.AsFound with { Stacks = back ? plan.Stacks : [] };
                        return JobCard.Derive(
                            stage,
                            back ? plan with { Stacks = [] } : plan,
                            vehicle,
                            equipment,
                            schools
                        );
                    }
                    yield return new(
                        $"{string.Join(" + ", parts)} on {kind}{(air ? " on air" : "")}, {axle}, {(both ? "both sides" : "left")}, {equipment}, {schools}",
                        both,
                        Make(At(left, right)),
                        Make(At(right, left)),
                        Make(At(left, right), back: true)
                    );
                }
            }
        }
    }

    private static Core.Vehicles.Suspension OnAir(Core.Vehicles.Suspension coils) =>
        coils with
        {
            Medium = SpringMedium.Air,
            HeightControl = HeightControl.TwoSensors,
        };

    private static void Each(Action<Case> rule)
    {
        foreach (var it in All.Value)
        {
            try
            {
                rule(it);
            }
            catch (Exception e)
                when (e is Xunit.Sdk.IAssertionException or InvalidOperationException)
            {
                Assert.Fail(
                    $"{it.Said}\n{e.Message}\n{string.Join('\n', it.Card.Steps.Select(s => s.Key))}"
                );
            }
        }
    }

    /// <summary>Found a second way: what is held grows from the frame until nothing more is, with nothing shared with the core's own search.</summary>
    internal static IEnumerable<string> Unheld(
        VehicleGraph graph,
        HashSet<string> open,
        IReadOnlyList<Support> supports,
        HashSet<Member> away
    )
    {
        const Holds all = Holds.Left | Holds.Right | Holds.X | Holds.Y | Holds.Turn;
        var held = new Dictionary<Member, Holds> { [Member.Frame] = all };
        bool Grows(Member member, Holds by)
        {
            var before = held.GetValueOrDefault(member);
            held[member] = before | by;
            return held[member] != before;
        }
        foreach (var support in supports)
        {
            Grows(support.Under, support.Gives);
        }
        var joints = graph.Joints.Where(j => !open.Contains(j.Place)).ToArray();
        bool grown;
        do
        {
            grown = false;
            foreach (var joint in joints)
            {
                foreach (var hold in joint.Holds)
                {
                    grown |= Grows(hold.Hung, hold.What & held.GetValueOrDefault(hold.By));
                }
            }
        } while (grown);
        return graph
            .Heavy.Where(m => !away.Contains(m))
            .Select(m => (m, Lacks: m.Kind.Needs() & ~held.GetValueOrDefault(m)))
            .Where(m => m.Lacks != 0)
            .Select(m => $"{m.m.Said}: {m.Lacks}");
    }

    [Fact]
    public void No_heavy_member_is_ever_left_to_nothing() =>
        Each(it =>
        {
            var open = new HashSet<string>();
            var supports = new List<Support>();
            var away = new HashSet<Member>();
            foreach (var step in it.Card.Steps)
            {
                supports.AddRange(step.Under);
                open.UnionWith(step.Opens);
                away.UnionWith(step.Out);
                open.ExceptWith(step.Joints);
                if (step.Pass == Pass.Hand)
                {
                    away.Clear();
                }
                if (step.ClearsSupports)
                {
                    supports.Clear();
                }
                var unheld = string.Join(", ", Unheld(it.Card.Graph!, open, supports, away));
                Assert.True(unheld.Length == 0, $"{step.Key}: {unheld}");
            }
        });

    [Fact]
    public void Every_joint_that_was_touched_is_closed_once_by_its_rule() =>
        Each(it =>
        {
            var steps = it.Card.Steps.ToList();
            var touched = steps.SelectMany(s => s.Opens.Concat(s.Loosens)).ToHashSet();
            var closed = it.Card.Joints.Select(j => j.Place).ToHashSet();
            // What is opened is closed, but for the spacer that is gone.
            Assert.DoesNotContain(
                touched.Except(closed),
                p => !p.EndsWith("strut spacer to body", StringComparison.Ordinal)
            );
            foreach (var joint in it.Card.Joints)
            {
                var opened = steps.FindLastIndex(s =>
                    s.Opens.Contains(joint.Place) || s.Loosens.Contains(joint.Place)
                );
                (Pass Pass, int At)[] passes =
                [
                    .. steps
                        .Select((s, i) => (s, i))
                        .Where(x => x.s.Joints.Contains(joint.Place))
                        .Select(x => (x.s.Pass!.Value, x.i)),
                ];
                Assert.Equal(
                    joint.Kind.IsLookedAt() || joint.Kind == JointKind.CentreNut
                        ? [Pass.Final]
                        : new[] { Pass.Hand, Pass.Snug, Pass.Final },
                    passes.Select(p => p.Pass)
                );
                Assert.True(passes[0].At > opened, $"{joint.Place} is closed before it is opened");
                // Where it stands at its last pass, and whether it had been in the air since it was opened.
                var final = passes[^1].At;
                var stands = steps.Take(final).LastOrDefault(s => s.Puts is not null)?.Puts;
                var onWheels = stands is null or WheelPosition.OnWheels;
                if (joint.Kind.Final() is FinalAt.RideHeight or FinalAt.Ground)
                {
                    Assert.True(onWheels, $"{joint.Place} is final before it is down");
                }
                else if (steps.Skip(opened + 1).Take(final - opened).Any(s => s.Puts is not null))
                {
                    Assert.False(onWheels, $"{joint.Place} waits for the ground");
                }
            }
        });

    [Fact]
    public void What_the_wheel_hides_is_closed_before_it_does() =>
        Each(it =>
        {
            var steps = it.Card.Steps.ToList();
            foreach (
                var wheels in steps.Where(s =>
                    s.Key.EndsWith("/wheels-hand", StringComparison.Ordinal)
                )
            )
            {
                var at = steps.IndexOf(wheels);
                var corners = wheels.Joints.Select(p => p[..2]).ToHashSet();
                Assert.DoesNotContain(
                    steps.Skip(at),
                    s =>
                        s.Joints.Any(p =>
                            corners.Contains(p[..2])
                            && it.Card.Graph!.Find(p)!.Kind == JointKind.Bracket
                        )
                );
            }
        });

    [Fact]
    public void The_hand_stops_only_for_what_is_worth_a_stop() =>
        Each(it =>
        {
            Assert.All(
                it.Card.Steps.Where(s => s.HoldFor == HoldReason.LastHold),
                s => Assert.NotEmpty(s.Under)
            );
            Assert.All(
                it.Card.Steps.Where(s => s.Hold),
                s => Assert.False(string.IsNullOrWhiteSpace(s.Caution))
            );
            // Once an axle, once a lift.
            Assert.Equal(
                it.Card.Steps.Count(s => s.Hold),
                it.Card.Steps.Where(s => s.Hold).Select(s => s.Key).Distinct().Count()
            );
        });

    [Fact]
    public void Keys_are_unique_and_begin_with_their_place() =>
        Each(it =>
        {
            Assert.Equal(it.Card.Steps.Count, it.Card.Steps.Select(s => s.Key).Distinct().Count());
            Assert.All(it.Card.Steps, s => Assert.Equal(s.Where, FittingRules.WhereOf(s.Key)));
        });

    [Fact]
    public void A_mirrored_change_gives_a_mirrored_card() =>
        Each(it =>
        {
            // With both sides changed there is nothing to mirror: the left one comes first either way.
            if (it.Both)
            {
                return;
            }
            Assert.Equal(
                Lines(it.Card, mirrored: true).Order(StringComparer.Ordinal),
                Lines(it.Mirrored, mirrored: false).Order(StringComparer.Ordinal)
            );
        });

    [Fact]
    public void A_stack_and_its_reverse_touch_the_same_joints() =>
        Each(it =>
            Assert.Equal(
                Touched(it.Card).Order(StringComparer.Ordinal),
                Touched(it.Back).Order(StringComparer.Ordinal)
            )
        );

    [Fact]
    public void The_same_change_gives_the_same_card() =>
        Assert.Equal(
            Cases().Take(200).Select(c => string.Join('\n', CardText.Of(c.Card))),
            Cases().Take(200).Select(c => string.Join('\n', CardText.Of(c.Card)))
        );

    [Fact]
    public void A_vehicle_that_nobody_touched_holds_together()
    {
        foreach (var kind in Enum.GetValues<SuspensionKind>())
        {
            var graph = VehicleGraph.Of(Cards.Vehicle(kind, kind), []);
            Assert.Empty(Unheld(graph, [], [], []));
        }
    }

    /// <summary>Joints that are touched, without those that exist on one side of the change only.</summary>
    private static IEnumerable<string> Touched(JobCard card) =>
        card
            .Steps.SelectMany(s => s.Opens.Concat(s.Loosens).Concat(s.Joints))
            .Distinct()
            .Where(p =>
                !p.EndsWith("strut spacer to body", StringComparison.Ordinal)
                && !p.EndsWith("track-bar bracket", StringComparison.Ordinal)
            );

    private static IEnumerable<string> Lines(JobCard card, bool mirrored) =>
        card.Steps.Select(s =>
            $"{Side(s.Where, mirrored)} {s.Hold} opens {Sorted(s.Opens, mirrored)} loosens {Sorted(s.Loosens, mirrored)} closes {s.Pass} {Sorted(s.Joints, mirrored)} under {Sorted(s.Supports, false)}"
        );

    private static string Sorted(IEnumerable<string> places, bool mirrored) =>
        string.Join(",", places.Select(p => Side(p, mirrored)).Order(StringComparer.Ordinal));

    /// <summary>A place as it is called on the other side.</summary>
    private static string Side(string place, bool mirrored) =>
        !mirrored || Corners.Named(place.Split(' ')[0]) is null ? place
        : place[0] == 'L' ? $"R{place[1..]}"
        : $"L{place[1..]}";
}
