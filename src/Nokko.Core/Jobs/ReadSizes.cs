using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Sizes of an axle that were read in a walk-round while nothing was added: who read them is not asked for them again.</summary>
/// <remarks>Source: docs/computation/geometry.md#sizes-from-readings. What was entered as a size stays.</remarks>
internal static class ReadSizes
{
    /// <summary>A vehicle with what was read of it beside what was entered.</summary>
    /// <param name="vehicle">The vehicle at some stage.</param>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances.</param>
    public static Vehicle On(Vehicle vehicle, JobDocument d, IReadOnlyList<WalkRoundStance> stances)
    {
        if (
            // Heights from a document come before the first stage and hold no readings.
            d
                .Stages.Where(s => s.Ordinal >= 0 && s.Stacks.All(c => c.Parts.Count == 0))
                .MinBy(s => s.Ordinal)
                is not { } bare
            || JobEvaluator.Speaks(stances, bare.Id) is not { Measures.Count: > 0 } read
        )
        {
            return vehicle;
        }
        return vehicle with
        {
            Front = Axled(vehicle.Front, bare.Front.Kind, Axle.Front, read),
            Rear = Axled(vehicle.Rear, bare.Rear.Kind, Axle.Rear, read),
        };
    }

    private static Vehicles.Suspension Axled(
        Vehicles.Suspension suspension,
        SuspensionKind then,
        Axle axle,
        WalkRoundStance read
    )
    {
        // Another axle came under it: what was read is of the old one.
        if (suspension.Kind != then)
        {
            return suspension;
        }
        var sizes = new Dictionary<string, Quantity>(suspension.Dimensions);
        // The side that has less decides.
        void Take(string measure, Unit unit, params ReadOnlySpan<string> names)
        {
            if (
                read
                    .Measures.Where(m =>
                        m.Measure == measure
                        && (
                            m.Place == axle.Said() || Corners.Of(axle).Any(c => c.Name() == m.Place)
                        )
                    )
                    .Min(m => m.Value.Value)
                is not { } value
            )
            {
                return;
            }
            foreach (var name in names)
            {
                sizes.TryAdd(
                    name,
                    new()
                    {
                        Value = value,
                        Unit = unit,
                        Known = Known.Measured,
                    }
                );
            }
        }
        Take(Measures.HoseSlack, Unit.Mm, SuspensionSizes.HoseSlack);
        Take(Measures.PinionAngle, Unit.Degree, SuspensionSizes.PinionUp);
        if (axle == Axle.Front)
        {
            // The least of both is one of them, and the other is no less.
            Take(
                Measures.FenderAtLock,
                Unit.Mm,
                SuspensionSizes.AheadAtLock,
                SuspensionSizes.BehindAtLock
            );
        }
        return sizes.Count == suspension.Dimensions.Count
            ? suspension
            : suspension with
            {
                Dimensions = sizes,
            };
    }
}
