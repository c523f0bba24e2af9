using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Axles whose wheels move by themselves.</content>
internal static partial class AxleGraph
{
    private static IEnumerable<GraphJoint> Independent(
        Vehicle vehicle,
        Axle axle,
        SuspensionKind kind
    )
    {
        var (subframe, holder) = Subframe(vehicle, axle, kind);
        return
        [
            .. subframe,
            .. Differential(axle, holder),
            .. Corners.Of(axle).SelectMany(c => IndependentCorner(axle, c, kind, holder)),
        ];
    }

    private static IEnumerable<GraphJoint> IndependentCorner(
        Axle axle,
        Corner c,
        SuspensionKind kind,
        Member holder
    ) =>
        [
            .. kind switch
            {
                SuspensionKind.CoilOverArm => [.. Wishbones(c, holder), .. CoilOver(c, kind)],
                SuspensionKind.Strut => StrutAndArm(c, holder),
                SuspensionKind.MultiLink => Links(c, holder),
                SuspensionKind.TransverseLeaf => LeafAcross(c, holder),
                SuspensionKind.TorsionBarArm => TorsionBars(c, holder),
                SuspensionKind.TrailingArm => [.. TrailingArm(c), .. CoilOver(c, kind)],
                _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Not independent."),
            },
            .. Shafts(c),
            .. axle == Axle.Front ? [TieRod(c)] : Array.Empty<GraphJoint>(),
        ];

    private static IEnumerable<GraphJoint> Shafts(Corner c)
    {
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.AxleNut,
            Kind = JointKind.AxleNut,
            Rank = 35,
            Fasteners = [Fasteners.Of("axle nut", 1, newOnly: true)],
            Undo = "the axle nut off, the shaft pushed loose in its hub",
            Home = "the shaft home in its hub before the bearing carries anything",
            Off = [$"{c} axle nut"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.HalfShaft,
            Kind = JointKind.Clamped,
            Rank = 36,
            Fasteners = [Fasteners.Of("flange bolts", 6, newOnly: true)],
            Undo =
                "the half-shaft's flange bolts out, the shaft tied up level so that it does not hang in its outer joint",
            Home = "boots not twisted, the joint slides",
            Off = [$"{c} half-shaft flange bolts"],
        };
    }

    private static GraphJoint TieRod(Corner c) =>
        CastleNut(
            c.Name(),
            Names.TieRod,
            25,
            "the tie-rod end parted with its nut left on by a turn",
            "tie-rod"
        );

    /// <summary>Upper and lower arm with the upright between them.</summary>
    private static IEnumerable<GraphJoint> Wishbones(Corner c, Member holder)
    {
        var where = c.Name();
        var (lower, upper, upright, bracket) = (
            new Member(MemberKind.LowerArm, where),
            new Member(MemberKind.UpperArm, where),
            new Member(MemberKind.Upright, where),
            new Member(MemberKind.BallBracket, where)
        );
        yield return Pivots(c, Names.LowerPivots, lower, holder, cams: true);
        yield return Pivots(c, Names.UpperPivots, upper, holder, cams: false);
        yield return CastleNut(
            where,
            Names.UpperBall,
            50,
            "the upper ball joint parted with its nut left on by a turn, then the nut",
            "ball-joint"
        ) with
        {
            Holds = [new(upright, upper, Holds.Locates)],
        };
        yield return CastleNut(
            where,
            Names.LowerBall,
            52,
            "the lower ball joint parted with its nut left on by a turn, then the nut",
            "lower ball-joint"
        ) with
        {
            Holds =
            [
                new(upright, bracket, Holds.Carries | Holds.X | Holds.Y),
                new(bracket, upright, Holds.X | Holds.Y),
            ],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.LowerBracket,
            Kind = JointKind.Clamped,
            Rank = 51,
            Holds =
            [
                new(bracket, lower, Holds.Carries | Holds.X | Holds.Y),
                new(lower, bracket, Holds.X | Holds.Y),
            ],
            Fasteners = [Fasteners.Of("bracket bolts", 2)],
            Undo = "the ball joint's bracket off the lower arm, its seat marked",
            Home = "the bracket on its mark",
            Off = [$"{c} ball-joint bracket bolts"],
        };
    }

    private static GraphJoint Pivots(Corner c, string name, Member arm, Member holder, bool cams) =>
        new()
        {
            Where = c.Name(),
            Name = name,
            Kind = JointKind.BondedRubber,
            Rank = name == Names.UpperPivots ? 84 : 85,
            Holds = [new(arm, holder, Holds.Locates)],
            Fasteners = [Fasteners.Of("pivot bolts", 2)],
            Undo = cams
                ? $"the {name}' bolts out, their cams marked first"
                : $"the {name}' bolts out",
            Home = cams ? "cams on their marks" : null,
            Off = [$"{c} {name}: bolts"],
            Tools = cams ? ["paint pen"] : [],
        };

    /// <summary>A strut that carries the upright, over one lower arm.</summary>
    private static IEnumerable<GraphJoint> StrutAndArm(Corner c, Member holder)
    {
        var where = c.Name();
        var (lower, upright, strut) = (
            new Member(MemberKind.LowerArm, where),
            new Member(MemberKind.Upright, where),
            new Member(MemberKind.Strut, where)
        );
        yield return Pivots(c, Names.LowerPivots, lower, holder, cams: true);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.LowerBall,
            Kind = JointKind.Ball,
            Rank = 52,
            Holds = [new(upright, lower, Holds.X | Holds.Y), new(lower, upright, Holds.Carries)],
            Fasteners = [Fasteners.Of("pinch bolt or castle nut", 1, newOnly: true)],
            Undo = "the lower ball joint parted",
            Home = "boot whole",
            Off = [$"{c} lower ball-joint bolt or nut"],
            Tools = ["ball-joint separator"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.StrutClamp,
            Kind = JointKind.Clamped,
            Rank = 60,
            Holds = [new(upright, strut, Holds.Carries | Holds.Turn)],
            Fasteners = [Fasteners.Of("clamp bolts", 2, newOnly: true)],
            Undo = "camber marked where strut and upright meet, the clamp bolts out",
            Home = "strut and upright on the camber mark",
            Off = [$"{c} clamp bolts and nuts"],
            Tools = ["paint pen"],
        };
        foreach (var joint in StrutTop(c, strut, Holds.Carries))
        {
            yield return joint;
        }
    }

    /// <summary>Links on a subframe, the coil on the lower one.</summary>
    private static IEnumerable<GraphJoint> Links(Corner c, Member holder)
    {
        var where = c.Name();
        var (lower, upper, upright) = (
            new Member(MemberKind.LowerArm, where),
            new Member(MemberKind.UpperArm, where),
            new Member(MemberKind.Upright, where)
        );
        yield return Pivots(c, Names.LowerPivots, lower, holder, cams: true);
        yield return Pivots(c, Names.UpperPivots, upper, holder, cams: false);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.UpperLink,
            Kind = JointKind.BondedRubber,
            Rank = 53,
            Holds = [new(upright, upper, Holds.Turn)],
            Fasteners = [Fasteners.Of("link bolts", 2)],
            Undo = "the upper links' bolts at the upright out",
            Off = [$"{c} upper-link bolts"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.LinkBolt,
            Kind = JointKind.BondedRubber,
            Rank = 54,
            Holds = [new(upright, lower, Holds.Carries | Holds.X | Holds.Y)],
            Fasteners = [Fasteners.Of("link bolt", 1)],
            Undo = "the lower link's outer bolt out, the link let down slowly on its jack",
            Keeps = new(
                "Coil held before its link is let go",
                "Chain or compress the coil, the jack under the link just touching. The bolt comes out with no load on it; then the link goes down slowly until the coil turns by hand.",
                "The coil pushes the link down and jumps out sideways: nobody beside it, no hand between coil and seat, and no hose carries weight.",
                ["coil compressor or chain"]
            ),
            Home = "the outer bolt in by hand, the coil turning into its seats on the way up",
            Off = [$"{c} lower-link bolt"],
        };
        yield return Seat(c, 2, null);
        foreach (var joint in Shocks(c, lower, Holds.Carries))
        {
            yield return joint;
        }
    }

    /// <summary>A-arms with a leaf across the vehicle.</summary>
    private static IEnumerable<GraphJoint> LeafAcross(Corner c, Member holder)
    {
        var where = c.Name();
        var (lower, upright) = (
            new Member(MemberKind.LowerArm, where),
            new Member(MemberKind.Upright, where)
        );
        yield return Pivots(c, Names.LowerPivots, lower, holder, cams: false);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.LowerBall,
            Kind = JointKind.PlainBolt,
            Rank = 52,
            Holds = [new(upright, lower, Holds.All)],
            Fasteners = [Fasteners.Of("kingpin bolt", 1)],
            Undo = "the kingpin's bolt out",
            Off = [$"{c} kingpin bolt"],
        };
        yield return Seat(
            c,
            1,
            new(
                "Leaf's end let down with its arm",
                "Let the arm down slowly on the jack until the leaf's end lies loose.",
                "The leaf pushes the arm down: nobody under it, no hand between leaf and arm, and no hose carries weight.",
                []
            )
        );
        foreach (var joint in Shocks(c, lower, Holds.Carries))
        {
            yield return joint;
        }
    }

    private static IEnumerable<GraphJoint> TrailingArm(Corner c)
    {
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.ArmPivot,
            Kind = JointKind.BondedRubber,
            Rank = 85,
            Holds = [new(new(MemberKind.TrailingArm, c.Name()), Member.Frame, Holds.Locates)],
            Fasteners = [Fasteners.Of("pivot bolt", 1)],
            Undo = "the trailing arm's pivot bolt out",
            Off = [$"{c} trailing-arm pivot bolt"],
        };
    }
}
