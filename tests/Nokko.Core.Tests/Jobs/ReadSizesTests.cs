using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What was read with nothing added stands in for a size that nobody entered.</summary>
public class ReadSizesTests
{
    private static readonly double[] Heights = [520, 1040, 580, 580, 1040, 520];

    private static Reading Read(
        int id,
        string measure,
        string place,
        double value,
        Unit? unit = null
    ) =>
        Sample.Reading(id, 40, null, 0) with
        {
            Kind = Measures.Find(measure)!.Kind,
            Measure = measure,
            From = null,
            Place = new() { Kind = Measures.PlaceKindOf(Measures.Find(measure)!), Name = place },
            Value = Sample.Of(value, unit ?? Unit.Mm, Known.Measured),
        };

    /// <summary>A job on coils in front and leaves behind with readings in its first walk-round and sizes that were entered.</summary>
    private static JobDocument Job(Reading[] readings, params (string, double)[] front)
    {
        var d = Sample.Job(Heights);
        var stage = d.Stages[0] with { Front = StacksTests.Of(SuspensionKind.CoilFourLink, front) };
        return d with
        {
            Vehicle = d.Vehicle with
            {
                TyreSize = "265/70R17",
                Dimensions = d.Vehicle.Dimensions with { FrontSpringBase = Sample.Mm(1000) },
            },
            Stages = [stage],
            Readings = [.. d.Readings, .. readings],
        };
    }

    private static Nokko.Core.Vehicles.Suspension Front(JobDocument d) =>
        JobEvaluator.SituationNow(d, PlatformEvidence.None).Vehicle.Front;

    [Fact]
    public void The_side_that_has_less_decides_and_what_was_entered_stays()
    {
        Reading[] read =
        [
            Read(300, Measures.HoseSlack, "LF", 44),
            Read(301, Measures.HoseSlack, "RF", 38),
            Read(302, Measures.HoseSlack, "LR", 9),
            Read(303, Measures.PinionAngle, "front", 3.5, Unit.Degree),
            Read(304, Measures.PinionAngle, "rear", 8, Unit.Degree),
        ];
        var front = Front(Job(read));
        Assert.Equal(38, front.Get(SuspensionSizes.HoseSlack));
        Assert.Equal(3.5, front.Get(SuspensionSizes.PinionUp));
        Assert.Equal(Known.Measured, front.Dimensions[SuspensionSizes.HoseSlack].Known);
        Assert.Equal(
            50,
            Front(Job(read, (SuspensionSizes.HoseSlack, 50))).Get(SuspensionSizes.HoseSlack)
        );
        Assert.Null(Front(Job([])).Get(SuspensionSizes.HoseSlack));
    }

    [Fact]
    public void The_gap_to_the_fender_at_lock_tells_what_is_left_ahead_and_behind_a_turning_tyre()
    {
        var d = Job([
            Read(300, Measures.FenderAtLock, "LF", 40),
            Read(301, Measures.FenderAtLock, "RF", 44),
        ]);
        var geometry = JobGeometry.Of(d, null, PlatformEvidence.None);
        Assert.Null(geometry.FrontRise.Cannot);
        var contacts = Moved.One(geometry, MechanismKind.Contacts, "front");
        foreach (var with in new[] { ContactWith.Ahead, ContactWith.Behind })
        {
            Assert.Equal(
                40,
                contacts
                    .Ways[0]
                    .Contacts.Single(c => c.With == with && c.At == ContactAt.Ride)
                    .Gap.Value
            );
        }
        Assert.Null(Front(d).Get(SuspensionSizes.InsideAtLock));
        var rear = JobEvaluator.SituationNow(d, PlatformEvidence.None).Vehicle.Rear;
        Assert.Null(rear.Get(SuspensionSizes.AheadAtLock));
    }

    [Fact]
    public void A_stage_of_a_document_before_the_first_hides_no_reading()
    {
        var d = Job([Read(300, Measures.HoseSlack, "LF", 44)]);
        var document = d.Stages[0] with { Id = Sample.Id(12), Ordinal = -1 };
        Assert.Equal(
            44,
            Front(d with { Stages = [document, d.Stages[0]] }).Get(SuspensionSizes.HoseSlack)
        );
    }

    [Fact]
    public void What_was_read_with_parts_in_or_of_another_axle_is_no_size()
    {
        Reading[] read = [Read(300, Measures.HoseSlack, "LF", 44)];
        var d = Job(read);
        var fitted = d.Stages[0] with
        {
            Stacks = [new CornerStack { Corner = Corner.LF, Parts = [Sample.Plate(5, 20)] }],
        };
        Assert.Null(Front(d with { Stages = [fitted] }).Get(SuspensionSizes.HoseSlack));
        // What stands now is another axle than the one that was read.
        var converted = d.Stages[0] with
        {
            Id = Sample.Id(11),
            Ordinal = 1,
            Front = StacksTests.Of(SuspensionKind.CoilOverArm),
        };
        Assert.Null(
            Front(d with { Stages = [d.Stages[0], converted] }).Get(SuspensionSizes.HoseSlack)
        );
        // The same one with parts in keeps it.
        var later = fitted with
        {
            Id = Sample.Id(11),
            Ordinal = 1,
        };
        Assert.Equal(
            44,
            Front(d with { Stages = [d.Stages[0], later] }).Get(SuspensionSizes.HoseSlack)
        );
    }
}
