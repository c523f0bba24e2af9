using Nokko.Core.Planning;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Writes the steps and joints of a job card, system by system.</summary>
internal sealed class CardWriter(Equipment equipment)
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
                    corner.Corner,
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

    public void Strut(CornerChange change)
    {
        var c = change.Corner;
        var top = $"{c} strut top plate to body";
        var foot = $"{c} strut foot to lower arm";
        var link = $"{c} sway-bar link to arm";
        var ball = $"{c} upper ball joint to upright";
        _joints.AddRange([
            new(
                c,
                top,
                JointKind.Clamped,
                [
                    new Fastener
                    {
                        Position = "top studs",
                        Count = 3,
                        NewPartOnly = true,
                    },
                ],
                "snug all, then even rounds"
            ),
            new(
                c,
                foot,
                JointKind.BondedRubber,
                [new Fastener { Position = "through bolt", Count = 1 }],
                null
            ),
            new(
                c,
                link,
                JointKind.Ball,
                [
                    new Fastener
                    {
                        Position = "link nut",
                        Count = 1,
                        NewPartOnly = true,
                    },
                ],
                null
            ),
            new(
                c,
                ball,
                JointKind.Ball,
                [
                    new Fastener
                    {
                        Position = "castle nut and cotter pin",
                        Count = 1,
                        NewPartOnly = true,
                    },
                ],
                null
            ),
        ]);
        Add(
            c,
            "mark",
            "Mark before undoing",
            "Paint the strut top plate against the body and the cam positions against the arm. Note which way the bolt of the strut foot points.",
            5
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{c}/hose-free",
                Where = c,
                Title = "Free the hose and the lead",
                Do =
                    "Unbolt the brake-hose bracket and the sensor lead from the upright, so that both follow the arm down.",
                TakesOff = [$"{c} brake-hose bracket bolt", $"{c} sensor-lead clip"],
                Minutes = 5,
                Tools = ["small sockets", "hook or strap for the upright"],
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{c}/no-weight-on-hose",
                Where = c,
                Title = "No hose or lead carries weight",
                Do =
                    "Tie the upright up. Swing it gently to where it will hang and see slack in the hose and the lead.",
                Caution =
                    "A hose or a lead that carries the upright is damaged inside, where nobody sees it.",
                Hold = true,
                Minutes = 2,
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{c}/strut-out",
                Where = c,
                Title = "Strut out",
                Do =
                    "Undo the link, part the upper ball joint with its nut left on, undo the strut foot, then the three top studs. Lower the arm and take the strut out.",
                TakesOff =
                [
                    $"{c} sway-bar link nut",
                    $"{c} ball-joint nut and cotter pin",
                    $"{c} strut-foot bolt",
                    $"{c} strut top nuts",
                    $"{c} strut",
                ],
                Minutes = 35,
                People = 2,
                Tools = ["ball-joint separator", "floor jack under the arm", "paint pen"],
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{c}/top-nut-stays",
                Where = c,
                Title = "The strut's top nut stays on",
                Do =
                    "A plate on top of the strut needs no opened strut. Confirm that the big centre nut was not touched.",
                Caution =
                    "The centre nut holds the spring. Without a spring compressor it stays on: a spring let go kills.",
                Hold = true,
                Minutes = 1,
            }
        );
        Add(
            c,
            "change-stack",
            $"Change the stack: {change.Said}",
            "Clean both faces. Turn the plate so that its studs meet the body's holes and the strut foot points as it was marked.",
            15
        );
        Close(
            c,
            "strut-in",
            "Strut in, all by hand",
            "Top studs first, then the foot, the ball joint and the link, each started by hand.",
            [top, foot, link, ball],
            Pass.Hand,
            20,
            2
        );
        Close(
            c,
            "snug",
            "Snug all of it",
            "Every fastener of a joint is snug before any is final. Rubber joints stay at snug.",
            [top, foot, link, ball],
            Pass.Snug,
            10
        );
        Close(
            c,
            "final-hanging",
            "Final: what may be final hanging",
            "Top plate, ball joint and link to the values of the service information. New cotter pin.",
            [top, link, ball],
            Pass.Final,
            10
        );
    }

    public void Leaf(IReadOnlyList<CornerChange> changed)
    {
        _steps.Add(
            new CardStep
            {
                Key = "rear/hose-free",
                Where = Corners.Rear,
                Title = "Free the axle's hose, leads and shocks",
                Do =
                    "Unbolt the brake-hose bracket from the axle and the lower shock mounts, so that nothing holds the axle as it comes down.",
                TakesOff =
                [
                    "rear brake-hose bracket bolt",
                    .. changed.Select(c => $"{c.Corner} lower shock bolt"),
                ],
                Minutes = 10,
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = "rear/axle-supported",
                Where = Corners.Rear,
                Title = "Axle on a jack before the last U-bolt is out",
                Do = "Jack under the axle, just touching. Only one side is opened at a time.",
                Caution =
                    "With the last U-bolt out only the jack knows where the axle is. No hose or lead carries weight.",
                Hold = true,
                Minutes = 3,
            }
        );
        foreach (var change in changed)
        {
            var c = change.Corner;
            var ubolts = $"{c} spring to axle";
            var shock = $"{c} lower shock mount";
            _joints.AddRange([
                new(
                    c,
                    ubolts,
                    JointKind.UBolt,
                    [
                        new Fastener
                        {
                            Position = "U-bolt nuts",
                            Count = 4,
                            NewPartOnly = true,
                        },
                    ],
                    "criss-cross in rounds"
                ),
                new(
                    c,
                    shock,
                    JointKind.BondedRubber,
                    [new Fastener { Position = "shock bolt", Count = 1 }],
                    null
                ),
            ]);
            _steps.Add(
                new CardStep
                {
                    Key = $"{c}/ubolts-out",
                    Where = c,
                    Title = "U-bolts out",
                    Do =
                        "Note which way the taper and the centre pin point, then undo the U-bolts and lower the axle by the block's height.",
                    TakesOff = [$"{c} U-bolts and plate"],
                    Minutes = 15,
                    People = 2,
                    Tools = ["jack under the axle", "deep sockets"],
                }
            );
            Add(
                c,
                "change-stack",
                $"Change the stack: {change.Said}",
                "Pin in its hole at both faces. One block only, never two.",
                10
            );
            Close(
                c,
                "ubolts-snug",
                "New U-bolts, by hand",
                "Plate on, nuts by hand, threads past the nut.",
                [ubolts, shock],
                Pass.Hand,
                10,
                2
            );
            Close(
                c,
                "snug",
                "Snug, criss-cross",
                "Each nut a little in turn, so that the plate stays level.",
                [ubolts, shock],
                Pass.Snug,
                5
            );
        }
    }

    public void Finish(IReadOnlyList<CornerChange> changed, IReadOnlyList<CornerChange> struts)
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
                Caution =
                    struts.Count > 0
                        ? "First a brake test at walking pace, then a short slow drive. Toe and camber have moved: to the alignment shop before any long drive."
                        : "First a brake test at walking pace, then a short slow drive.",
                Hold = true,
                Minutes = 10,
                People = 2,
            }
        );
    }

    private void Add(string corner, string key, string title, string how, int minutes) =>
        _steps.Add(
            new CardStep
            {
                Key = $"{corner}/{key}",
                Where = corner,
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

    private static string WheelPlace(string corner) => $"{corner} wheel to hub";
}
