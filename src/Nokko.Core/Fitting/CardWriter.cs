using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Writes the steps and joints of a job card, system by system.</summary>
internal sealed partial class CardWriter(Equipment equipment)
{
    private readonly List<CardStep> _steps = [];
    private readonly List<CardJoint> _joints = [];

    public IReadOnlyList<CardStep> Steps => _steps;
    public IReadOnlyList<CardJoint> Joints => _joints;

    public void Prepare(IReadOnlyList<CornerChange> changed)
    {
        var ends = changed.Select(c => Corners.AxleOf(c.Corner)).Distinct().ToArray();
        foreach (var corner in changed)
        {
            _joints.Add(
                new CardJoint(
                    corner.Corner.Name(),
                    WheelPlace(corner.Corner),
                    JointKind.Wheel,
                    [new Fastener { Position = "wheel nuts", Count = 6 }],
                    "criss-cross"
                )
            );
        }
        _steps.Add(
            new CardStep
            {
                Key = "vehicle/raise",
                Where = "vehicle",
                Title = $"Chock, crack the wheel nuts, raise the {string.Join(" and ", ends)}",
                Do = equipment switch
                {
                    Equipment.TwoPostLift =>
                        "Arms under the rated points, locks engaged, then shake it before you trust it.",
                    Equipment.JackAndStands =>
                        "Chock the wheels that stay down, jack at the rated point, stands under the frame.",
                    _ => "Chock all wheels, raise with the pit jack, stands under the frame.",
                },
                Minutes = 15,
                Tools =
                [
                    "chocks",
                    equipment == Equipment.TwoPostLift ? "lift" : "jack and four stands",
                    "wheel nut wrench",
                ],
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = "vehicle/supported",
                Where = "vehicle",
                Title = "Stands and chocks before anyone reaches under",
                Do =
                    "Look at each stand and each chock, push the vehicle hard by hand, then confirm.",
                Caution =
                    "A jack lifts and never holds. Nobody reaches under before the weight is on rated stands or locked arms.",
                Hold = true,
                Puts = WheelPosition.Hanging,
                Minutes = 2,
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = "vehicle/wheels-off",
                Where = "vehicle",
                Title = "Wheels off",
                Do = "Mark each wheel with its corner and keep its nuts with it.",
                TakesOff = [.. changed.Select(c => $"Wheel {c.Corner} and its nuts")],
                Minutes = 5 * changed.Count,
            }
        );
    }

    public void Finish(IReadOnlyList<CornerChange> changed, bool wheelsTurn)
    {
        var wheels = changed.Select(c => WheelPlace(c.Corner)).ToArray();
        foreach (
            var (pass, title) in new[]
            {
                (Pass.Hand, "Wheels on, nuts by hand"),
                (Pass.Snug, "Wheel nuts snug"),
            }
        )
        {
            Close(
                "vehicle",
                $"wheels-{pass.ToString().ToLowerInvariant()}",
                title,
                "Brackets, clips and leads first: what is behind the wheel is checked before the wheel hides it.",
                wheels,
                pass,
                5
            );
        }
        _steps.Add(
            new CardStep
            {
                Key = "vehicle/down",
                Where = "vehicle",
                Title = "Down on its wheels, bounce and roll",
                Do =
                    "Lower it, bounce each end, roll one turn of the wheel forward and back, so that it stands at its new height.",
                Puts = WheelPosition.OnWheels,
                Minutes = 10,
            }
        );
        var rubber = _joints.Where(j => j.Kind == JointKind.BondedRubber).Select(j => j.Place);
        var ubolts = _joints.Where(j => j.Kind == JointKind.UBolt).Select(j => j.Place);
        Close(
            "vehicle",
            "final-on-wheels",
            "Final, on its wheels",
            "Rubber joints, U-bolts and wheel nuts to the values of the service information, at ride height.",
            [.. rubber, .. ubolts, .. wheels],
            Pass.Final,
            20
        );
        _steps.Add(
            new CardStep
            {
                Key = "vehicle/second-eyes",
                Where = "vehicle",
                Title = "A second pair of eyes",
                Do =
                    "Another person walks round, joint by joint, with the paint pen. Full lock both ways: hoses slack, nothing touches.",
                Caution = wheelsTurn
                    ? "First a brake test at walking pace, then a short slow drive. Toe and camber have moved: to the alignment shop before any long drive."
                    : "First a brake test at walking pace, then a short slow drive.",
                Hold = true,
                Minutes = 10,
                People = 2,
            }
        );
    }

    private void Add(Corner corner, string key, string title, string how, int minutes) =>
        _steps.Add(
            new CardStep
            {
                Key = $"{corner}/{key}",
                Where = corner.Name(),
                Title = title,
                Do = how,
                Minutes = minutes,
            }
        );

    private void Close(
        string where,
        string key,
        string title,
        string how,
        IReadOnlyList<string> joints,
        Pass pass,
        int minutes,
        int people = 1
    ) =>
        _steps.Add(
            new CardStep
            {
                Key = $"{where}/{key}",
                Where = where,
                Title = title,
                Do = how,
                Joints = joints,
                Pass = pass,
                Minutes = minutes,
                People = people,
            }
        );

    private static string WheelPlace(Corner corner) => $"{corner} wheel to hub";
}
