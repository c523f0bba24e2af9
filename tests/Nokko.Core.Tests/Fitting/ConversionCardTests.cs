using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>The card of another suspension: any kind out, any kind in, on either axle.</summary>
public class ConversionCardTests
{
    public static TheoryData<SuspensionKind, SuspensionKind> Pairs()
    {
        var pairs = new TheoryData<SuspensionKind, SuspensionKind>();
        foreach (var from in Enum.GetValues<SuspensionKind>())
        {
            foreach (var to in Enum.GetValues<SuspensionKind>())
            {
                pairs.Add(from, to);
            }
        }
        return pairs;
    }

    private static AxleConversion To(Axle axle, SuspensionKind kind) =>
        new()
        {
            Axle = axle,
            To = new() { Kind = kind, Sheet = "Alder sheet 12" },
        };

    private static JobCard Of(
        Axle axle,
        SuspensionKind from,
        SuspensionKind to,
        Equipment equipment = Equipment.TwoPostLift,
        IReadOnlyList<Joint>? kept = null,
        bool begun = false,
        params (Corner, PlacedPart)[] parts
    ) =>
        JobCard.Derive(
            Sample.AsFound,
            Sample.Plan(parts) with
            {
                Conversions = [To(axle, to)],
                BegunAt = begun ? Sample.At(1) : null,
            },
            Vehicle(axle, from),
            equipment,
            kept: kept
        );

    private static Vehicle Vehicle(Axle axle, SuspensionKind kind) =>
        axle == Axle.Front
            ? Cards.Vehicle(kind, SuspensionKind.LeafOverslung)
            : Cards.Vehicle(SuspensionKind.CoilOverArm, kind);

    private static VehicleGraph Before(Axle axle, SuspensionKind from) =>
        VehicleGraph.Of(Vehicle(axle, from), []);

    private static VehicleGraph After(Axle axle, SuspensionKind from, SuspensionKind to) =>
        VehicleGraph.Of(
            Vehicle(axle, from).Converted(Sample.Plan() with { Conversions = [To(axle, to)] }),
            []
        );

    private static HashSet<string> Places(VehicleGraph graph) =>
        [.. graph.Joints.Select(j => j.Place)];

    private static HashSet<Member> MembersOf(VehicleGraph graph) =>
        [.. graph.Joints.SelectMany(j => j.Holds).SelectMany(h => new[] { h.Hung, h.By })];

    /// <summary>Every way of lifting comes by turns, over all the pairs.</summary>
    private static Equipment Lifted(Axle axle, SuspensionKind from, SuspensionKind to) =>
        (Equipment)(((int)axle + (int)from + (int)to) % Enum.GetValues<Equipment>().Length);

    [Theory]
    [MemberData(nameof(Pairs))]
    public void At_no_step_is_anything_heavy_left_to_nothing_and_at_the_end_the_new_one_holds(
        SuspensionKind from,
        SuspensionKind to
    )
    {
        foreach (var axle in Corners.Axles)
        {
            var equipment = Lifted(axle, from, to);
            var card = Of(axle, from, to, equipment);
            var graph = card.Graph!;
            // Found a second way: joints that are not there yet hold nothing, members that are not there yet lack nothing.
            var (before, after) = (Before(axle, from), After(axle, from, to));
            var open = Places(after).Except(Places(before)).ToHashSet();
            var away = MembersOf(after).Except(MembersOf(before)).ToHashSet();
            var supports = new List<Support>();
            foreach (var step in card.Steps)
            {
                supports.AddRange(step.Under);
                open.UnionWith(step.Opens);
                away.UnionWith(step.Out);
                open.ExceptWith(step.Joints);
                if (step.Pass == Pass.Hand)
                {
                    away.Clear();
                    away.UnionWith(MembersOf(before).Except(MembersOf(after)));
                }
                if (step.ClearsSupports)
                {
                    supports.Clear();
                }
                var unheld = string.Join(", ", CardRulesTests.Unheld(graph, open, supports, away));
                if (unheld.Length > 0)
                {
                    Assert.Fail(
                        $"{axle}, {equipment}, {step.Key}: {unheld}\n{string.Join('\n', CardText.Of(card))}"
                    );
                }
            }
            // What stands at the end is the new vehicle, whole, and nothing of the old one.
            Assert.Empty(
                CardRulesTests.Unheld(
                    after,
                    [.. after.Joints.Select(j => j.Place).Where(open.Contains)],
                    [],
                    []
                )
            );
            // Before anybody touches it, it stands as every vehicle does.
            Assert.Empty(card.Board(new HashSet<string>()));
            var all = card.Steps.Select(s => s.Key).ToHashSet();
            Assert.Empty(card.Loose(all));
            Assert.Empty(card.Board(all));
        }
    }

    [Theory]
    [MemberData(nameof(Pairs))]
    public void Every_joint_of_the_new_one_is_on_the_ledger_and_none_that_left(
        SuspensionKind from,
        SuspensionKind to
    )
    {
        foreach (var axle in Corners.Axles)
        {
            var card = Of(axle, from, to);
            var ledger = card.Joints.Select(j => j.Place).ToHashSet();
            var after = After(axle, from, to);
            Assert.Empty(ledger.Intersect(Places(Before(axle, from)).Except(Places(after))));
            var own = after.Joints.Where(j =>
                j.OfSuspension
                && (j.Where == axle.Said() || Corners.Of(axle).Any(c => c.Name() == j.Where))
            );
            foreach (var joint in own)
            {
                Assert.Contains(joint.Place, ledger);
                // Started by hand, snug, final; what is looked at is final alone.
                Assert.Equal(
                    joint.Kind.IsLookedAt() ? [Pass.Final] : [Pass.Hand, Pass.Snug, Pass.Final],
                    card.Steps.Where(s => s.Joints.Contains(joint.Place)).Select(s => s.Pass!.Value)
                );
            }
            // The other axle is not touched.
            Assert.DoesNotContain(
                card.Steps.SelectMany(s => s.Opens.Concat(s.Loosens).Concat(s.Joints)),
                p => Corners.Named(p.Split(' ')[0]) is { } c && Corners.AxleOf(c) != axle
            );
        }
    }

    [Fact]
    public void Leaf_out_and_links_in_say_what_goes_what_stays_and_what_is_new()
    {
        var card = Of(Axle.Rear, SuspensionKind.LeafOverslung, SuspensionKind.CoilFourLink);
        string[] opened = [.. card.Steps.SelectMany(s => s.Opens)];
        foreach (
            var place in new[]
            {
                "LR spring to axle",
                "RR spring eye to frame",
                "LR shackle to frame",
            }
        )
        {
            Assert.Contains(place, opened);
        }
        // The caliper stays on its axle; the axle stays under the vehicle, on jacks and straps.
        Assert.DoesNotContain("LR caliper to upright", opened);
        Assert.Contains(
            card.Steps.SelectMany(s => s.Under),
            s => s.Under == new Member(MemberKind.Axle, "rear")
        );
        string[] closed = [.. card.Joints.Select(j => j.Place)];
        foreach (
            var place in new[]
            {
                "LR lower link to axle",
                "RR upper link to frame",
                "rear track bar to frame",
                "LR spring seats",
                "RR lower shock mount",
                "rear propshaft to axle",
            }
        )
        {
            Assert.Contains(place, closed);
        }
        var change = Assert.Single(card.Steps, s => s.Key == "rear/change-suspension");
        Assert.Equal(
            "Change the suspension, live axle, leaf springs above it out, live axle on coils, four links in",
            change.Title
        );
        Assert.Contains("As Alder sheet 12 says", change.Do, StringComparison.Ordinal);
        var stop = card.Steps.ToList().FindIndex(s => s.HoldFor == HoldReason.Irreversible);
        Assert.True(stop >= 0 && stop < card.Steps.ToList().IndexOf(change));
    }

    [Fact]
    public void Arms_for_longer_arms_open_the_same_joints_again_and_ask_their_torques_anew()
    {
        var kept = new Joint
        {
            Id = Sample.Id(70),
            Where = "LF",
            Place = "LF lower arm pivots",
            Kind = JointKind.PlainBolt,
            Fasteners = [new Fastener { Position = "old bolts", Count = 7 }],
        };
        CardJoint Pivots(bool begun) =>
            Of(
                Axle.Front,
                SuspensionKind.CoilOverArm,
                SuspensionKind.CoilOverArm,
                kept: [kept],
                begun: begun
            )
                .Joints.Single(j => j.Place == kept.Place);
        // What was kept of the old arms' bolts tells nothing of the new ones; what is written during the work does.
        Assert.NotEqual(JointKind.PlainBolt, Pivots(begun: false).Kind);
        Assert.NotEqual(7, Pivots(begun: false).Fasteners[0].Count);
        Assert.Equal(7, Pivots(begun: true).Fasteners[0].Count);
    }

    [Fact]
    public void Parts_that_come_and_go_with_it_are_named_in_its_step_and_tyres_stay_work_of_their_own()
    {
        var tyre = Sample.Plate(34, null, PartKind.Tyre) with { Name = "mud tyre" };
        var card = Of(
            Axle.Rear,
            SuspensionKind.LeafOverslung,
            SuspensionKind.CoilFourLink,
            parts:
            [
                (Corner.LR, Sample.Plate(30, 20, PartKind.CoilSpacer) with { Name = "ring" }),
                (Corner.RR, Sample.Plate(31, 20, PartKind.CoilSpacer) with { Name = "ring" }),
                (Corner.LR, tyre),
                (Corner.RR, tyre with { Id = Sample.Id(35) }),
            ]
        );
        var change = Assert.Single(card.Steps, s => s.Key == "rear/change-suspension");
        Assert.Contains("put in ring", change.Title, StringComparison.Ordinal);
        Assert.DoesNotContain("tyre", change.Title, StringComparison.Ordinal);
        Assert.Contains(card.Steps, s => s.Key == "LR/tyre");
        Assert.DoesNotContain(
            card.Steps,
            s => s.Key.EndsWith("change-stack", StringComparison.Ordinal)
        );
    }
}
