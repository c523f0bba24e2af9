using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>What the chosen ways change in the words and tools of a step.</content>
internal sealed partial class CardMaker
{
    private const string Separator = "ball-joint separator";

    /// <summary>Tools of joints that are opened, by the way in which tapers are parted.</summary>
    private IEnumerable<string> ToolsOf(IEnumerable<GraphJoint> joints) =>
        joints
            .SelectMany(j => j.Tools)
            .Select(t => t == Separator && schools.Taper == TaperWay.Blows ? "two hammers" : t);

    /// <summary>How tapers are parted, where there is one and the usual way is not taken.</summary>
    private IEnumerable<string> Tapers(IEnumerable<GraphJoint> joints) =>
        schools.Taper == TaperWay.Blows && joints.Any(j => j.Tools.Contains(Separator))
            ?
            [
                "tapers: the nut left on by three threads, two hammers on the eye from both sides at once, never on the pin",
            ]
            : [];

    /// <summary>How stored energy is let go: the coils of a live axle come loose in the shop's way.</summary>
    private StoredEnergy LetGo(StoredEnergy keeps, GraphJoint joint) =>
        (joint.Name == Names.Seat && IsOnLiveAxle(joint) ? schools.CoilsLoose : default) switch
        {
            CoilsLooseWay.Tilted => keeps with
            {
                Title = "Coils let down, one side after the other",
                How =
                    "Let one end of the axle down slowly until its coil turns by hand and comes out, raise it again until it is just held, then the other end.",
                Way =
                    "A tilted axle rolls on its jacks and the coil jumps out sideways: nobody beside it, no hand between coil and seat. The other side's hose, lead and shock are stretched: watch them, no hose carries weight.",
            },
            CoilsLooseWay.Compressor => keeps with
            {
                Title = "Both coils squeezed before they come out",
                How =
                    "A rated compressor on each coil, hooks opposite each other; squeeze it until the coil turns by hand, with the axle held on its jacks.",
                Way =
                    "A spring let go kills. It goes along the coil, both ways: nobody over its ends, no impact gun on the compressor, and it is not left squeezed.",
                Tools = ["rated spring compressor"],
            },
            _ => keeps,
        };

    private bool IsOnLiveAxle(GraphJoint joint) =>
        Corners.Named(joint.Where) is { } c
        && vehicle.SuspensionOf(Corners.AxleOf(c)).Kind.IsLiveAxle();

    /// <summary>What draws holes together, and where nobody must be meanwhile.</summary>
    private string LineUp(Unit unit) =>
        schools.LineUp switch
        {
            LineUpWay.PryBar => "then a pry bar, no fingers in a hole and nobody in its way",
            LineUpWay.Steer when unit.Operations.Any(o => AxleOf(o) == Axle.Front.Said()) =>
                "then the steering, turned from the seat with the engine off and all hands out",
            _ => "then a strap, nobody in its line",
        };

    /// <summary>What keeps threads from turning, where the service information does not have the word.</summary>
    private IEnumerable<string> Threads() =>
        schools.Threads switch
        {
            ThreadsWay.Locker =>
            [
                "threadlocker on clean threads of every bolt that was opened; a torque for dry threads is another one",
            ],
            ThreadsWay.DryNewNuts =>
            [
                "dry threads, a new locking nut on every bolt that was opened",
            ],
            _ => [],
        };
}
