using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Tests.Fitting;

/// <summary>Cards of made-up vehicles.</summary>
internal static class Cards
{
    public static Vehicle Vehicle(SuspensionKind front, SuspensionKind rear) =>
        Sample.Pickup with
        {
            Kind = front == SuspensionKind.Strut ? VehicleKind.Wagon : VehicleKind.Pickup,
            BodyKind = front is SuspensionKind.Strut or SuspensionKind.TransverseLeaf
                ? BodyKind.Unibody
                : BodyKind.BodyOnFrame,
            Front = new() { Kind = front },
            Rear = new() { Kind = rear },
        };

    public static JobCard Of(
        SuspensionKind front,
        SuspensionKind rear,
        Equipment equipment,
        FittingSchools? schools,
        params (Corner, PlacedPart)[] parts
    ) =>
        JobCard.Derive(
            Sample.AsFound,
            Sample.Plan(parts),
            Vehicle(front, rear),
            equipment,
            schools
        );
}
