using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>What ties a body to its frame.</summary>
internal static class BodyGraph
{
    /// <summary>The mounts at a corner, front one first; a bed and a cab have their own.</summary>
    public static IReadOnlyList<string> Mounts(Vehicle vehicle, Corner corner)
    {
        var what =
            vehicle.Kind != VehicleKind.Pickup ? "body mount"
            : Corners.AxleOf(corner) == Axle.Front ? "cab mount"
            : "bed mount";
        return [$"{what} to frame, front one", $"{what} to frame, rear one"];
    }

    public static IEnumerable<GraphJoint> Of(Vehicle vehicle)
    {
        if (vehicle.BodyKind == BodyKind.Unibody)
        {
            yield break;
        }
        var body = new Member(MemberKind.Body, "vehicle");
        yield return new GraphJoint
        {
            Where = "vehicle",
            Name = Names.SteeringShaft,
            Kind = JointKind.PinchBolt,
            Rank = 10,
            Fasteners = [Fasteners.Of("pinch bolt", 1, newOnly: true)],
            Undo =
                "wheel straight and locked, mark the steering shaft across its splines and draw its pinch bolt",
            Home =
                "the steering shaft slides as far on its splines as the mark says, its bolt through the groove",
            Off = ["steering-shaft pinch bolt"],
            Tools = ["wheel lock", "paint pen"],
        };
        yield return new GraphJoint
        {
            Where = "vehicle",
            Name = Names.BodyLines,
            Kind = JointKind.Bracket,
            Rank = 5,
            Undo =
                "free ground straps, hoses, wires, filler neck, shifter, shrouds and bumper brackets until each has slack by more than the body will rise",
            Home = "straps, filler, shifter, shrouds and bumper brackets where the body now stands",
            Off = ["battery lead", "ground straps", "filler and shroud clips"],
        };
        foreach (var corner in Corners.All)
        {
            foreach (var name in Mounts(vehicle, corner))
            {
                yield return new GraphJoint
                {
                    Where = corner.Name(),
                    Name = name,
                    Kind = JointKind.Cushion,
                    Rank = 98,
                    Holds = [new(body, Member.Frame, Members.Side(corner) | Holds.Locates)],
                    Fasteners = [Fasteners.Of("mount bolt", 1, newOnly: true)],
                    Order = "all by hand before any is snug",
                    Undo = $"the {name}'s bolt out; hold the nut, it may turn in its cage",
                    Home =
                        "its own bolt, old length and what the mount grew by; it runs in by hand",
                    Off = [$"{corner} {name}: bolt and washer"],
                };
            }
        }
    }
}
