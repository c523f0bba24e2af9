using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Live axles.</content>
internal static partial class AxleGraph
{
    private static IEnumerable<GraphJoint> LiveAxle(Axle axle, SuspensionKind kind)
    {
        var where = axle.Said();
        var it = new Member(MemberKind.Axle, where);
        return
        [
            new GraphJoint
            {
                Where = where,
                Name = Names.Breather,
                Kind = JointKind.Bracket,
                Rank = 7,
                Undo = "the axle's breather, its leads and the park-brake cables off their clips",
                Home = "breather not kinked, cables free at droop",
                Off = [$"{where} breather and cable clips"],
            },
            .. axle == Axle.Front ? Steering(where) : [],
            Flange(where, Names.PropshaftAxle),
            .. kind.IsLeaf() ? [] : TrackBar(where, it),
            .. Corners.Of(axle).SelectMany(c => LiveCorner(c, it, kind)),
        ];
    }

    private static IEnumerable<GraphJoint> Steering(string where)
    {
        yield return CastleNut(
            where,
            Names.DragLinkWheel,
            25,
            "steering centred and marked, the drag link parted at the knuckle",
            "drag-link"
        ) with
        {
            Home = "the nut goes forward to the pin's next hole, never back; wheel centred again",
        };
        yield return CastleNut(
            where,
            Names.DragLinkPitman,
            26,
            "the drag link parted at the pitman arm",
            "drag-link"
        ) with
        {
            Home = "the nut goes forward to the pin's next hole, never back",
            Off = [$"{where} drag-link nut and cotter pin at the pitman arm"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Pitman,
            Kind = JointKind.SplinedClamp,
            Rank = 27,
            Fasteners = [Fasteners.Of("pitman nut", 1, newOnly: true)],
            Undo =
                "the pitman arm marked across its shaft, its nut off, the arm drawn with a puller",
            Home = "mark to mark on the splines",
            Off = [$"{where} pitman nut"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Damper,
            Kind = JointKind.PlainBolt,
            Rank = 24,
            Fasteners = [Fasteners.Of("damper bolts", 2)],
            Undo = "the steering damper's ends undone",
            Home = "it does not bottom or pull out at either lock",
            Off = [$"{where} steering damper"],
        };
    }

    private static IEnumerable<GraphJoint> TrackBar(string where, Member axle)
    {
        var bar = new Member(MemberKind.TrackBar, where);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.TrackBarAxle,
            Kind = JointKind.BondedRubber,
            Rank = 40,
            Holds = [new(axle, bar, Holds.Y)],
            Fasteners = [Fasteners.Of("pivot bolt", 1)],
            Undo = "the track bar's bolt at the axle out",
            Home =
                "hole to hole with the strap, or somebody turns the steering with the engine off; no finger in the hole",
            Off = [$"{where} track-bar bolt at the axle"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.TrackBarFrame,
            Kind = JointKind.BondedRubber,
            Rank = 41,
            Holds = [new(bar, Member.Frame, Holds.Y)],
            Fasteners = [Fasteners.Of("pivot bolt", 1)],
            Undo = "the track bar's bolt at the frame out",
            Off = [$"{where} track bar and its bolt at the frame"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.TrackBarBracket,
            Kind = JointKind.Clamped,
            Rank = 42,
            Fasteners = [Fasteners.Of("bracket bolts", 3)],
            Undo = "the old bracket's bolts out, where there are any",
            Home = "faces clean, no play by hand before it is snug",
            Off = [],
        };
    }

    private static IEnumerable<GraphJoint> LiveCorner(Corner c, Member axle, SuspensionKind kind) =>
        kind switch
        {
            SuspensionKind.CoilFourLink =>
            [
                .. LinksOf(c, axle, Names.LowerLinkAxle, Names.LowerLinkFrame),
                .. LinksOf(c, axle, Names.UpperLinkAxle, Names.UpperLinkFrame),
                LinkBracket(c),
                CoilOnAxle(c),
                .. Shocks(c, axle, Members.Side(c)),
            ],
            SuspensionKind.CoilRadiusArm =>
            [
                .. LinksOf(c, axle, Names.RadiusAxle, Names.RadiusFrame),
                LinkBracket(c),
                CoilOnAxle(c),
                .. Shocks(c, axle, Members.Side(c)),
            ],
            SuspensionKind.CoilOverAxle =>
            [
                .. LinksOf(c, axle, Names.LowerLinkAxle, Names.LowerLinkFrame),
                .. LinksOf(c, axle, Names.UpperLinkAxle, Names.UpperLinkFrame),
                .. CoilOver(c, kind),
            ],
            SuspensionKind.LeafOverslung or SuspensionKind.LeafUnderslung =>
            [
                .. Leaf(c, axle),
                .. Shocks(c, axle, Holds.Nothing),
            ],
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No live axle."),
        };

    private static GraphJoint LinkBracket(Corner c) =>
        new()
        {
            Where = c.Name(),
            Name = Names.LinkBracket,
            Kind = JointKind.Clamped,
            Rank = 88,
            Fasteners = [Fasteners.Of("bracket bolts", 3)],
            Undo = "the bracket's bolts out",
            Home = "faces clean, no play by hand before it is snug",
            Off = [],
        };

    private static GraphJoint CoilOnAxle(Corner c) =>
        Seat(
            c,
            2,
            new(
                "Both coils let down with the axle",
                "Let the axle down slowly and level on its jacks, a little on each side in turn, until the coils turn by hand.",
                "The coils push the axle down and jump out sideways: nobody beside them, no hand between coil and seat. Watch hoses, leads and propshaft on the way: no hose carries weight.",
                []
            )
        );

    private static IEnumerable<GraphJoint> LinksOf(
        Corner c,
        Member axle,
        string atAxle,
        string atFrame
    )
    {
        var link = new Member(MemberKind.Link, $"{c} {atAxle.Split(" to ")[0]}");
        var said = $"{c} {atAxle.Split(" to ")[0]}";
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = atAxle,
            Kind = JointKind.BondedRubber,
            Rank = 86,
            Holds = [new(axle, link, Holds.X | Holds.Turn)],
            Fasteners = [Fasteners.Of("pivot bolt", 1)],
            Undo = $"the {atAxle.Split(" to ")[0]}'s bolt at the axle out",
            Home = "the pinion turned with a jack until the hole meets; no finger in it",
            Off = [$"{said} bolt at the axle"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = atFrame,
            Kind = JointKind.BondedRubber,
            Rank = 87,
            Holds = [new(link, Member.Frame, Holds.X | Holds.Turn)],
            Fasteners = [Fasteners.Of("pivot bolt", 1)],
            Undo = $"the {atFrame.Split(" to ")[0]}'s bolt at the frame out",
            Off = [$"{said} and its bolt at the frame"],
        };
    }

    private static IEnumerable<GraphJoint> Leaf(Corner c, Member axle)
    {
        var (pack, shackle) = (
            new Member(MemberKind.LeafPack, c.Name()),
            new Member(MemberKind.Shackle, c.Name())
        );
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.UBolts,
            Kind = JointKind.UBolt,
            Rank = 75,
            Holds = [new(axle, pack, Members.Side(c) | Holds.Locates)],
            Fasteners = [Fasteners.Of("U-bolt nuts", 4, newOnly: true)],
            Order = "criss-cross in rounds",
            Undo =
                "the U-bolts cut or undone, plate off, the axle let down by what the stack needs",
            Home = "centre pin in its hole at every face, plate level, threads past the nuts",
            Off = [$"{c} U-bolts and plate"],
            Tools = ["deep sockets"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.FixedEye,
            Kind = JointKind.SpringEye,
            Rank = 80,
            Holds = [new(pack, Member.Frame, Holds.Locates)],
            Fasteners = [Fasteners.Of("eye bolt", 1)],
            Undo = "the fixed eye's bolt out",
            Home = "the longer half towards where it was",
            Off = [$"{c} spring-eye bolt"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.ShackleEye,
            Kind = JointKind.SpringEye,
            Rank = 81,
            Holds = [new(pack, shackle, Members.Side(c))],
            Fasteners = [Fasteners.Of("shackle bolt", 1)],
            Undo = "the shackle's bolt at the spring out",
            Off = [$"{c} shackle bolt at the spring"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.ShackleFrame,
            Kind = JointKind.SpringEye,
            Rank = 82,
            Holds = [new(shackle, Member.Frame, Members.Side(c))],
            Fasteners = [Fasteners.Of("shackle bolt", 1)],
            Undo = "the shackle's bolt at the frame out",
            Home = "the shackle leans as it did; it must not stand straight or turn over",
            Off = [$"{c} shackle and its bolt at the frame"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.CentreBolt,
            Kind = JointKind.Clamped,
            Rank = 83,
            OnBench = true,
            Fasteners = [Fasteners.Of("centre bolt", 1, newOnly: true)],
            Undo = "the centre bolt out, the clips opened",
            Home = "clips back, loose enough for the leaves to slide; the bolt's head in its hole",
            Off = [$"{c} centre bolt and clips"],
            Keeps = new(
                "Pack clamped before its centre bolt",
                "Two clamps over the whole pack, one on each side of the centre bolt, on the bench.",
                "The leaves spring apart along the bolt: nobody over it, clamps off a turn each in turn.",
                ["two heavy clamps"]
            ),
        };
    }
}
