using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>Parts in the middle of an axle: what each opens on this vehicle, and nothing else.</summary>
public class AxleCompanionsTests
{
    private static JobCard Card(SuspensionKind front, SuspensionKind rear, Corner at, PartKind kind)
    {
        var vehicle = Sample.Pickup with
        {
            Front = new() { Kind = front },
            Rear = new() { Kind = rear },
        };
        return JobCard.Derive(
            Sample.AsFound with
            {
                Front = vehicle.Front,
                Rear = vehicle.Rear,
            },
            Sample.Plan((at, Sample.Plate(30, null, kind))),
            vehicle,
            Equipment.TwoPostLift
        );
    }

    [Theory]
    [InlineData(
        PartKind.DragLink,
        Corner.LF,
        SuspensionKind.CoilFourLink,
        "front drag link to pitman arm|front drag link to knuckle"
    )]
    [InlineData(
        PartKind.PitmanArm,
        Corner.LF,
        SuspensionKind.LeafOverslung,
        "front pitman arm to steering box|front drag link to pitman arm"
    )]
    [InlineData(
        PartKind.Propshaft,
        Corner.LR,
        SuspensionKind.LeafOverslung,
        "rear propshaft carrier bearing|rear propshaft to axle"
    )]
    [InlineData(
        PartKind.Propshaft,
        Corner.RR,
        SuspensionKind.MultiLink,
        "rear propshaft carrier bearing|rear propshaft to differential"
    )]
    [InlineData(
        PartKind.Propshaft,
        Corner.LF,
        SuspensionKind.CoilRadiusArm,
        "front propshaft to axle"
    )]
    [InlineData(
        PartKind.LevelSensorLink,
        Corner.RR,
        SuspensionKind.TrailingArm,
        "rear level-sensor link"
    )]
    [InlineData(
        PartKind.SteeringStops,
        Corner.LF,
        SuspensionKind.CoilFourLink,
        "front steering stops"
    )]
    [InlineData(
        PartKind.SteeringStops,
        Corner.LF,
        SuspensionKind.CoilOverArm,
        "front steering stops"
    )]
    public void It_opens_its_own_joints_once_for_the_axle_with_the_wheels_on(
        PartKind part,
        Corner at,
        SuspensionKind kind,
        string joints
    )
    {
        Assert.True(PartRule.Of(part).FitsOn(kind));
        var card = Card(kind, kind, at, part);
        Assert.Equal(joints.Split('|'), card.Joints.Select(j => j.Place));
        Assert.DoesNotContain(
            card.Steps,
            s => s.Key.EndsWith("wheels-off", StringComparison.Ordinal)
        );
        Assert.Single(card.Steps, s => s.Key == $"{Corners.AxleOf(at).Said()}/change-stack");
    }

    [Theory]
    [InlineData(
        SuspensionKind.CoilRadiusArm,
        "LF radius arm to frame|LF radius-arm or link bracket to frame"
    )]
    [InlineData(
        SuspensionKind.CoilFourLink,
        "LF lower link to frame|LF upper link to frame|LF radius-arm or link bracket to frame"
    )]
    public void A_bracket_of_arms_or_links_opens_what_it_lowers_and_is_torqued_itself(
        SuspensionKind kind,
        string joints
    )
    {
        var card = Card(kind, kind, Corner.LF, PartKind.LinkBracket);
        Assert.Equal(joints.Split('|').Order(), card.Joints.Select(j => j.Place).Order());
        // In rubber: final only on its wheels.
        var final = card.Steps.Last(s => s.Joints.Contains(joints.Split('|')[0]));
        Assert.Equal(Pass.Final, final.Pass);
    }

    [Fact]
    public void A_spacer_s_nuts_are_torqued_before_the_wheel_hides_them()
    {
        var steps = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            Corner.LF,
            PartKind.WheelSpacer
        )
            .Steps.ToList();
        int Done(string place) =>
            steps.FindLastIndex(s => s.Joints.Contains(place) && s.Pass == Pass.Final);
        Assert.True(Done("LF wheel spacer to hub") >= 0);
        Assert.True(Done("LF wheel spacer to hub") < Done("LF wheel to hub"));
    }

    [Theory]
    [InlineData(PartKind.DragLink)]
    [InlineData(PartKind.PitmanArm)]
    [InlineData(PartKind.SteeringStops)]
    public void Rack_and_arms_have_no_drag_link(PartKind part) =>
        Assert.False(PartRule.Of(part).FitsOn(SuspensionKind.Strut));

    [Fact]
    public void The_shaft_comes_off_before_its_differential_goes_down()
    {
        var steps = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            Corner.LF,
            PartKind.CrossMember
        )
            .Steps.Select(s => s.Key)
            .ToList();
        var both = JobCard.Derive(
            Sample.AsFound,
            Sample.Plan(
                (Corner.LF, Sample.Plate(30, null, PartKind.CrossMember)),
                (Corner.RF, Sample.Plate(31, null, PartKind.Propshaft))
            ),
            Sample.Pickup,
            Equipment.TwoPostLift
        );
        Assert.DoesNotContain("front/propshaft", steps);
        var keys = both.Steps.Select(s => s.Key).ToList();
        Assert.InRange(keys.IndexOf("front/propshaft"), 0, keys.IndexOf("front/differential") - 1);
    }
}
