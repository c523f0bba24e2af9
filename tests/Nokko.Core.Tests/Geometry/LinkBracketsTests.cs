using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Finding.CentredAxlesTests;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Brackets that lower the frame's ends of radius arms and links.</summary>
public class LinkBracketsTests
{
    private static readonly Nokko.Core.Vehicles.Suspension RadiusArm = StacksTests.Of(
        SuspensionKind.CoilRadiusArm,
        (SuspensionSizes.ArmLength, 900),
        (SuspensionSizes.RadiusArmDrop, 60)
    );

    private static PlacedPart Bracket(double mm) =>
        StacksTests.Part(60, PartKind.LinkBracket, mm) with
        {
            Name = "Plover bracket",
        };

    private static Mechanism Turned(
        Nokko.Core.Vehicles.Suspension suspension,
        Axle axle,
        (Corner, PlacedPart)[] parts,
        params Part[] shelf
    ) =>
        One(
            Of(
                    // On links both axles are alike, so that equal rings tilt nothing.
                    suspension.Kind == SuspensionKind.CoilFourLink
                        ? StacksTests.On(suspension, suspension)
                    : axle == Axle.Front
                        ? StacksTests.On(suspension, StacksTests.Of(SuspensionKind.CoilFourLink))
                    : StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink), suspension),
                parts,
                shelf
            ),
            axle == Axle.Front ? MechanismKind.Caster : MechanismKind.Pinion,
            axle.Said()
        );

    /// <summary>How far the pivot rises over its axle with 50 under every spring: along the line from axle to axle.</summary>
    private static double Pivot(Axle axle)
    {
        var links = StacksTests.Of(SuspensionKind.CoilFourLink);
        var geometry = Of(
            axle == Axle.Front
                ? StacksTests.On(RadiusArm, links)
                : StacksTests.On(links, RadiusArm),
            Rings(50, 50)
        );
        var (front, rear) = (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
        var (own, other) = axle == Axle.Front ? (front, rear) : (rear, front);
        var along = Math.Sqrt((900 * 900) - (60 * 60));
        return own + ((other - own) * along / Sample.Pickup.Dimensions.Wheelbase!.Value);
    }

    [Theory]
    [InlineData(Axle.Front, 30)]
    [InlineData(Axle.Front, 50)]
    [InlineData(Axle.Front, 70)]
    [InlineData(Axle.Rear, 30)]
    public void A_radius_arm_s_bracket_leaves_what_the_arm_still_stands_steeper(
        Axle axle,
        double mm
    )
    {
        var turned = Turned(RadiusArm, axle, [.. Rings(50, 50), .. Pair(axle, 80, Bracket(mm))]);
        var planned = turned.Stands;
        Assert.Equal(WayKind.Planned, planned.Kind);
        var sign = axle == Axle.Front ? -1 : 1;
        var pivot = Pivot(axle);
        Assert.Equal(
            sign * (Math.Asin((60 + pivot - mm) / 900) - Math.Asin(60.0 / 900)) * 180 / Math.PI,
            planned.Figure.Value!.Value,
            9
        );
        Assert.Contains("as planned", turned.Says, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void A_bracket_and_a_bush_give_back_together()
    {
        var bush = StacksTests.Part(61, PartKind.CasterBush, null, [(PartSizes.Turn, 1.5)]);
        double Of(params (Corner, PlacedPart)[] parts) =>
            Turned(RadiusArm, Axle.Front, [.. Rings(50, 50), .. parts]).Stands.Figure.Value!.Value;
        Assert.Equal(
            Of(Pair(Axle.Front, 80, Bracket(30))) + 1.5,
            Of([.. Pair(Axle.Front, 80, Bracket(30)), .. Pair(Axle.Front, 84, bush)]),
            9
        );
    }

    [Fact]
    public void On_links_a_bracket_as_deep_as_the_lift_turns_nothing_and_one_half_as_deep_as_half_the_lift()
    {
        double Of(double ring, double? bracket) =>
            Turned(
                OnBentLinks(),
                Axle.Front,
                [
                    .. Rings(ring, ring),
                    .. bracket is { } mm ? Pair(Axle.Front, 80, Bracket(mm)) : [],
                ]
            ).Stands.Figure.Value!.Value;
        double Rise(double ring) =>
            Moved
                .Of(StacksTests.On(OnBentLinks(), OnBentLinks()), Rings(ring, ring))
                .FrontRise.Value!.Value;
        Assert.True(Math.Abs(Of(60, null)) > 0.5);
        Assert.Equal(0, Of(60, Rise(60)), 9);
        Assert.Equal(Of(30, null), Of(60, Rise(60) - Rise(30)), 9);
    }

    [Fact]
    public void What_it_gives_back_is_known_no_better_than_the_lift()
    {
        var whole = Turned(
            OnBentLinks(),
            Axle.Front,
            [.. Rings(60, 60), .. Pair(Axle.Front, 80, Bracket(60))]
        ).Stands.Figure;
        var left = Turned(OnBentLinks(), Axle.Front, Rings(60, 60))
            .Ways.Single(w => w.Kind == WayKind.Lifted)
            .Figure;
        Assert.True(whole.U > 0.15);
        Assert.InRange(whole.U!.Value / left.U!.Value, 0.7, 1.3);
    }

    [Fact]
    public void The_bracket_at_hand_that_is_nearest_is_a_cure_and_the_search_takes_the_cheapest_that_holds()
    {
        Part[] shelf =
        [
            AtHand(1, PartKind.LinkBracket, 40, 2, price: 90),
            AtHand(2, PartKind.LinkBracket, 90, 2, price: 60),
        ];
        var cure = Assert.Single(
            Turned(RadiusArm, Axle.Front, Rings(50, 50), shelf).Ways,
            w => w.Part == PartKind.LinkBracket
        );
        Assert.StartsWith(shelf[0].Name, cure.Said, StringComparison.Ordinal);
        Assert.Equal(
            -(Math.Asin((60 + Pivot(Axle.Front) - 40) / 900) - Math.Asin(60.0 / 900))
                * 180
                / Math.PI,
            cure.Figure.Value!.Value,
            9
        );
        var found = Raised(
            All(
                Here(StacksTests.On(RadiusArm, StacksTests.Of(SuspensionKind.CoilFourLink))),
                [AtHand(3, PartKind.CoilSpacer, 60), .. shelf],
                new SearchRules { HoldGeometry = true }
            ),
            Corner.LF,
            Corner.RF
        );
        // 90 deep overshoots by more than a degree: the dearer one it is, on both sides.
        Assert.Equal(
            [(Corner.LF, (Guid?)shelf[0].Id), (Corner.RF, shelf[0].Id)],
            found.Plan.Stacks.SelectMany(c =>
                c.Parts.Where(p => p.Kind == PartKind.LinkBracket).Select(p => (c.Corner, p.PartId))
            )
        );
    }
}
