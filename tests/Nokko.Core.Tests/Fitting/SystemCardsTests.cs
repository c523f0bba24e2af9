using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>The card follows the kind of suspension, and each caution stands where its danger is.</summary>
public class SystemCardsTests
{
    private static JobCard Card(params (Corner, PlacedPart)[] parts) =>
        JobCard.Derive(Sample.AsFound, Sample.Plan(parts), Sample.Pickup, Equipment.TwoPostLift);

    [Theory]
    [InlineData(
        SuspensionKind.CoilFourLink,
        PartKind.CoilSpacer,
        "carried",
        "between coil and seat"
    )]
    [InlineData(SuspensionKind.MultiLink, PartKind.CoilSpacer, "carried", "between coil and seat")]
    [InlineData(
        SuspensionKind.TransverseLeaf,
        PartKind.CoilSpacer,
        "carried",
        "between coil and seat"
    )]
    [InlineData(
        SuspensionKind.LeafUnderslung,
        PartKind.Shackle,
        "axle-supported",
        "only the jack knows"
    )]
    public void A_spring_that_stands_by_itself_is_carried_before_its_shock_is_undone(
        SuspensionKind kind,
        PartKind part,
        string hold,
        string caution
    )
    {
        var vehicle = Sample.Pickup with { Rear = new() { Kind = kind } };
        var card = JobCard.Derive(
            Sample.AsFound,
            Sample.Plan(
                (Corner.LR, Sample.Plate(30, 25, part)),
                (Corner.RR, Sample.Plate(31, 25, part))
            ),
            vehicle,
            Equipment.JackAndStands
        );
        var step = card.Steps.Single(s => s.Key == $"rear/{hold}");
        Assert.True(step.Hold);
        Assert.Contains(caution, step.Caution, StringComparison.Ordinal);
        // It comes before anything of a corner comes off.
        Assert.True(
            card.Steps.ToList().IndexOf(step)
                < card.Steps.ToList().FindIndex(s => s.Where is "LR" or "RR")
        );
        EveryJointCloses(card);
    }

    [Theory]
    [InlineData(PartKind.PreloadSpacer)]
    [InlineData(PartKind.Coil)]
    public void A_strut_is_opened_under_a_hold_point_of_its_own(PartKind kind)
    {
        var card = Card((Corner.LF, Sample.Plate(30, 25, kind)));
        var step = card.Steps.Single(s => s.Key == "LF/coil-squeezed");
        Assert.True(step.Hold);
        Assert.Contains("no impact gun", step.Caution, StringComparison.Ordinal);
        Assert.DoesNotContain(card.Steps, s => s.Key == "LF/top-nut-stays");
    }

    [Theory]
    [InlineData(SuspensionKind.Strut, "LF strut clamp to upright")]
    [InlineData(SuspensionKind.TrailingArm, null)]
    [InlineData(SuspensionKind.CoilOverAxle, null)]
    public void What_is_parted_follows_the_kind_of_suspension(SuspensionKind kind, string? joint)
    {
        var card = JobCard.Derive(
            Sample.AsFound,
            Sample.Plan((Corner.LF, Sample.Plate(30, 25))),
            Sample.Pickup with
            {
                Front = new() { Kind = kind },
            },
            Equipment.TwoPostLift
        );
        Assert.DoesNotContain(
            card.Joints,
            j => j.Place.Contains("upper ball joint", StringComparison.Ordinal)
        );
        Assert.True(joint is null || card.Joints.Any(j => j.Place == joint));
        EveryJointCloses(card);
    }

    [Fact]
    public void Body_mounts_are_opened_once_the_steering_shaft_is_marked()
    {
        var card = Card((Corner.LF, Sample.Plate(30, 25, PartKind.BodyPuck)));
        Assert.True(card.Steps.Single(s => s.Key == "body/free").Hold);
        Assert.DoesNotContain(card.Steps, s => s.Key == "LF/strut-out");
        EveryJointCloses(card);
    }

    private static void EveryJointCloses(JobCard card) =>
        Assert.All(
            card.Joints,
            j =>
                Assert.Contains(card.Steps, s => s.Pass == Pass.Final && s.Joints.Contains(j.Place))
        );
}
