using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>What hangs or turns between the wheels of an axle: subframe, differential, propshaft, level sensor.</content>
internal static partial class AxleGraph
{
    /// <summary>What an axle may have once, however it is sprung.</summary>
    private static IEnumerable<GraphJoint> Middle(Axle axle)
    {
        var where = axle.Said();
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.LevelSensor,
            Kind = JointKind.Bracket,
            Rank = 6,
            Undo = "levelling off, the sensor's arm marked, its link off at both ends",
            Home = "the arm the way it pointed, levelling on and set anew at ride height",
            Off = [$"{where} level-sensor link"],
        };
        if (axle == Axle.Rear)
        {
            yield return new GraphJoint
            {
                Where = where,
                Name = Names.CarrierBearing,
                Kind = JointKind.Clamped,
                Rank = 87,
                Fasteners = [Fasteners.Of("bearing bolts", 2)],
                Undo =
                    "the carrier bearing's bolts out, the shaft held up, its shims kept in order",
                Home = "shims as they were, or as its maker says for the new angle",
                Off = [$"{where} carrier-bearing bolts and shims"],
            };
        }
    }

    /// <summary>A subframe, where the kind has one, and what the arms are pivoted on.</summary>
    private static (IEnumerable<GraphJoint> Joints, Member Holder) Subframe(
        Vehicle vehicle,
        Axle axle,
        SuspensionKind kind
    )
    {
        var where = axle.Said();
        var has =
            kind == SuspensionKind.MultiLink
            || (kind == SuspensionKind.Strut && vehicle.BodyKind == BodyKind.Unibody);
        if (!has)
        {
            return ([], Member.Frame);
        }
        var subframe = new Member(MemberKind.Subframe, where);
        var joints = Corners
            .Of(axle)
            .Select(c => new GraphJoint
            {
                Where = c.Name(),
                Name = Names.Subframe,
                Kind = JointKind.Cushion,
                Rank = 95,
                Holds = [new(subframe, Member.Frame, Members.Side(c) | Holds.Locates)],
                Fasteners = [Fasteners.Of("subframe bolts", 2, newOnly: true)],
                Order = "all by hand before any is snug",
                Undo =
                    "this side's subframe bolts out one after the other, each replaced by its longer one started by hand before the next comes out",
                Home = "locating pins in their holes on both sides",
                Off = [$"{c} subframe bolts"],
                Tools = ["guide pins"],
            });
        return (axle == Axle.Front ? [.. joints, SteeringShaft()] : joints, subframe);
    }

    private static GraphJoint SteeringShaft() =>
        new()
        {
            Where = Axle.Front.Said(),
            Name = Names.SteeringShaft,
            Kind = JointKind.PinchBolt,
            Rank = 10,
            Fasteners = [Fasteners.Of("pinch bolt", 1, newOnly: true)],
            Undo =
                "wheel straight and locked, the steering shaft marked across its splines, its pinch bolt drawn",
            Home = "mark to mark on the splines, the bolt through the groove",
            Off = ["steering-shaft pinch bolt"],
            Tools = ["wheel lock", "paint pen"],
        };

    private static IEnumerable<GraphJoint> Differential(Axle axle, Member holder)
    {
        var where = axle.Said();
        var diff = new Member(MemberKind.Differential, where);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Diff,
            Kind = JointKind.Cushion,
            Rank = 90,
            Holds = [new(diff, holder, Holds.All)],
            Fasteners = [Fasteners.Of("differential mount bolts", 3)],
            Undo =
                "the differential's mounts undone, let down on its jack as far as the brackets need",
            Home = "both half-shafts turn without binding, the propshaft's slip has length left",
            Off = [$"{where} differential mount bolts"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.DiffBreather,
            Kind = JointKind.Bracket,
            Rank = 7,
            Undo = "the differential's breather hose and leads off their clips",
            Home = "breather not kinked, its end still high",
            Off = [$"{where} differential breather clips"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.CrossMember,
            Kind = JointKind.Clamped,
            Rank = 89,
            Fasteners = [Fasteners.Of("cross-member bolts", 4)],
            Undo = "the cross member under the differential out",
            Off = [$"{where} cross member and its bolts"],
        };
        yield return Flange(where, Names.DiffFlange);
    }

    /// <summary>A propshaft's flange at an axle or a differential.</summary>
    private static GraphJoint Flange(string where, string name) =>
        new()
        {
            Where = where,
            Name = name,
            Kind = JointKind.Clamped,
            Rank = 86,
            Fasteners = [Fasteners.Of("flange bolts", 4, newOnly: true)],
            Undo = "propshaft and flange marked across, its bolts out, the shaft hung up",
            Home = "mark to mark",
            Off = [$"{where} propshaft flange bolts"],
            Tools = ["paint pen"],
        };
}
