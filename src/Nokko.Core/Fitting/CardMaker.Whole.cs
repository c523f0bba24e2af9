using Nokko.Core.Plans;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>What concerns the whole vehicle: before it goes up, up, down, and afterwards; and its body.</content>
internal sealed partial class CardMaker
{
    private static readonly string[] Chocks = ["chocks"];
    private static readonly Unit Vehicle = new("vehicle", "vehicle", null, []);

    private void BeforeItGoesUp(IReadOnlyList<Operation> operations)
    {
        var disturbs = operations.Aggregate(Disturbs.Nothing, (a, o) => a | o.Disturbs);
        var squeezed = operations.Any(o => o.Kind == OperationKind.StrutOpened);
        string[] says =
        [
            "Parts, sizes and tools of this card laid out, new-only fasteners at hand",
            HeightIsHeld
                ? "key out, height control off by its own procedure, or it moves while somebody is under it"
                : "key out, ride modes and levelling off where it has them",
            .. disturbs.HasFlag(Disturbs.Battery)
                ? ["battery off, then wait ten minutes for the airbags"]
                : Array.Empty<string>(),
            .. operations.Any(o =>
                o.Opens.Any(p => p.EndsWith(Names.SteeringShaft, StringComparison.Ordinal))
            )
                ? ["steering wheel straight and locked"]
                : Array.Empty<string>(),
            .. disturbs.HasFlag(Disturbs.Brakes)
            && operations.Any(o => o.Kind == OperationKind.BrakeHose)
                ? ["brake fluid and a second person for the pedal"]
                : Array.Empty<string>(),
            .. squeezed
                ? ["you will squeeze a spring: a rated compressor, and nobody works on it alone"]
                : Array.Empty<string>(),
            .. operations.Any(o => o.People > 1)
                ? ["some steps take two people"]
                : Array.Empty<string>(),
        ];
        Add(Vehicle, "before-up", "Before it goes up", Sentence(string.Join("; ", says)), 10);
    }

    private bool HeightIsHeld =>
        Corners.Axles.Any(a => vehicle.SuspensionOf(a).HeightControl is not null);

    private void Up(string where, Axle[] axles, GraphJoint[] wheels)
    {
        var unit = Vehicle with { Where = where, Key = where };
        var four = axles.Length > 1 && equipment != Equipment.TwoPostLift;
        var ends = string.Join(" and ", axles.Select(a => a.Said()));
        var crack = wheels.Length > 0 ? ", crack the wheel nuts" : "";
        Do(
            Step(
                unit,
                "raise",
                equipment == Equipment.TwoPostLift
                    ? $"Set the lift's arms{crack}, raise the vehicle"
                    : $"Chock{crack}, raise the {ends}",
                (equipment, four) switch
                {
                    (Equipment.TwoPostLift, _) =>
                        "Arms under the rated points, locks engaged, then shake it before you trust it.",
                    (_, true) =>
                        "Nothing is left to chock: one end after the other onto full-height stands under the frame, on firm level ground.",
                    (Equipment.Pit, _) =>
                        "Chock the wheels that stay down, raise with the pit jack, stands under the frame.",
                    _ =>
                        "Chock the wheels that stay down, jack at the rated point, stands under the frame.",
                },
                15
            ) with
            {
                Tools =
                [
                    .. four || equipment == Equipment.TwoPostLift ? [] : Chocks,
                    equipment == Equipment.TwoPostLift ? "lift"
                    : four ? "jack and four full-height stands"
                    : "jack and two stands",
                    .. wheels.Length > 0 ? ["wheel-nut wrench"] : Array.Empty<string>(),
                ],
            }
        );
        Do(
            Step(
                unit,
                "supported",
                equipment == Equipment.TwoPostLift
                    ? "Locks and arms before anyone reaches under"
                    : "Stands and chocks before anyone reaches under",
                equipment == Equipment.TwoPostLift
                    ? "Look at each arm and each lock, push the vehicle hard by hand, then confirm."
                    : "Look at each stand and each chock, push the vehicle hard by hand, then confirm.",
                2
            ) with
            {
                Caution =
                    "A jack lifts and never holds. Nobody reaches under before the weight is on rated stands or locked arms.",
                HoldFor = HoldReason.Weight,
                Puts = WheelPosition.Hanging,
            }
        );
        if (wheels.Length > 0)
        {
            Do(
                Step(
                    unit,
                    "wheels-off",
                    "Wheels off",
                    "Mark each wheel with its corner and keep its nuts with it.",
                    5 * wheels.Length
                ) with
                {
                    Opens = [.. wheels.Select(w => w.Place)],
                    TakesOff = [.. wheels.SelectMany(w => w.Off)],
                }
            );
        }
    }

    private void Down(
        string where,
        Axle[] axles,
        GraphJoint[] wheels,
        IReadOnlyList<Operation> operations
    )
    {
        var unit = Vehicle with { Where = where, Key = where };
        if (wheels.Length > 0)
        {
            Closing(
                unit,
                "wheels-hand",
                "Wheels on, nuts by hand",
                "what is behind the wheel is checked before the wheel hides it",
                wheels,
                Pass.Hand,
                5
            );
            Closing(
                unit,
                "wheels-snug",
                "Wheel nuts snug",
                "criss-cross, while it is raised",
                wheels,
                Pass.Snug,
                5
            );
        }
        var jacks = _board.Supports.Select(s => s.Said).Distinct().ToArray();
        Do(
            Step(
                unit,
                "weight-back",
                "Before its weight goes back on the wheels",
                Sentence(
                    string.Join(
                        "; ",
                        [
                            .. _atRideHeight.Any(j => j.Kind == JointKind.UBolt)
                                ? ["U-bolts snug"]
                                : Array.Empty<string>(),
                            .. wheels.Length > 0 ? ["wheel nuts snug"] : Array.Empty<string>(),
                            "every joint of the ledger at least snug",
                            .. operations.Any(o =>
                                o.Opens.Any(p =>
                                    p.EndsWith(Names.AirLine, StringComparison.Ordinal)
                                )
                            )
                                ? ["air springs filled until they hold their shape"]
                                : Array.Empty<string>(),
                            "hoses and leads clear, tools out",
                            .. jacks.Length > 0
                                ? [$"away with {Listed(jacks)}"]
                                : Array.Empty<string>(),
                        ]
                    )
                ),
                5
            ) with
            {
                Caution = "Nobody is under it, no foot beside a wheel, when it comes down.",
                HoldFor = HoldReason.WeightBack,
                ClearsSupports = true,
            }
        );
        Do(
            Step(
                unit,
                "down",
                "Down on its wheels, bounce and roll",
                "Lower it, bounce each end, roll one turn of the wheel forward and back, so that it stands at its new height."
                    + (
                        HeightIsHeld
                            ? " Height control on again: nothing is final or read before it has come to rest."
                            : ""
                    ),
                10
            ) with
            {
                Puts = WheelPosition.OnWheels,
            }
        );
        foreach (var axle in axles)
        {
            GraphJoint[] mine = [.. _atRideHeight.Where(j => Corners.AxleAt(j.Where) == axle)];
            if (mine.Length == 0)
            {
                continue;
            }
            Closing(
                Vehicle with
                {
                    Where = axle.Said(),
                    Key = axle.Said(),
                },
                "final-ride-height",
                $"Final at ride height: {axle.Said()}",
                Phrases([.. RideHeightSays(mine), "torques from the service information"]),
                mine,
                Pass.Final,
                5 + (2 * mine.Length)
            );
            _steps[^1] = _steps[^1] with
            {
                Caution =
                    "Rubber that is made final at another height twists, tears, and holds the vehicle high.",
                HoldFor = HoldReason.RideHeight,
            };
        }
        if (wheels.Length > 0)
        {
            Closing(
                unit,
                "wheels-final",
                "Wheel nuts final, on the ground",
                "criss-cross, to the service information's value",
                wheels,
                Pass.Final,
                5
            );
        }
        _atRideHeight.RemoveAll(j => axles.Any(a => Corners.AxleAt(j.Where) == a));
    }

    private static IEnumerable<string> RideHeightSays(IReadOnlyList<GraphJoint> joints)
    {
        if (joints.Any(j => j.Kind.Twists()))
        {
            yield return "rubber joints on its wheels, at the height at which it will stand";
        }
        if (joints.Any(j => j.Kind == JointKind.SwayBarLink))
        {
            yield return "sway-bar links on both sides together, each bolt passing by hand";
        }
        if (joints.Any(j => j.Kind == JointKind.UBolt))
        {
            yield return "U-bolts criss-cross in steps with the axle loaded, and again after 50 to 100 miles";
        }
        if (joints.Any(j => j.Kind == JointKind.Seat))
        {
            yield return "every spring looked at in its seats, both ends, both sides";
        }
        if (joints.Any(j => j.Kind == JointKind.Cushion))
        {
            yield return "cushions with their member's weight on them";
        }
    }

    /// <summary>Body mounts: one side out, the other loosened and in; the vehicle stands on its wheels.</summary>
    private void Body(IReadOnlyList<Operation> mounts)
    {
        if (mounts.Count == 0)
        {
            return;
        }
        Add(
            Vehicle,
            "chocked",
            "Chock all four wheels",
            "On its wheels, level, all four chocked, brake on.",
            3
        );
        Unit[] sides =
        [
            .. new[] { Holds.Left, Holds.Right }
                .Select(side => new Unit(
                    "vehicle",
                    $"vehicle/{side.ToString().ToLowerInvariant()}",
                    $"{side.ToString().ToLowerInvariant()} side",
                    [
                        .. mounts.Where(o =>
                            Corners.Named(o.Where) is { } c && Members.Side(c) == side
                        ),
                    ]
                ))
                .Where(u => u.Operations.Count > 0),
        ];
        Sides(sides, Spread.OneSide);
        GraphJoint[] cushions = [.. _atRideHeight.Where(j => j.Kind == JointKind.Cushion)];
        if (cushions.Length == 0)
        {
            return;
        }
        Closing(
            Vehicle,
            "mounts-final",
            "Body bolts final, the body's weight on every mount",
            "jack and board away first; in rounds, front to rear, then the first ones again",
            cushions,
            Pass.Final,
            10
        );
        _steps[^1] = _steps[^1] with { ClearsSupports = true };
        _board.Do(_steps[^1]);
        _atRideHeight.Clear();
    }

    private void Afterwards(IReadOnlyList<Operation> operations)
    {
        var disturbs = operations.Aggregate(Disturbs.Nothing, (a, o) => a | o.Disturbs);
        var wheels = operations.Any(o => o.Raised && o.WheelOff);
        Do(
            Step(
                Vehicle,
                "second-eyes",
                "A second pair of eyes",
                Sentence(
                    Phrases([
                        "another person walks round, joint by joint, with the paint pen",
                        "full lock both ways: hoses slack, nothing touches",
                        .. disturbs.HasFlag(Disturbs.Battery)
                            ? ["battery on, no warning lamp stays lit"]
                            : Array.Empty<string>(),
                        .. disturbs.HasFlag(Disturbs.Sensors)
                            ? ["sensor leads plugged, no warning lamp stays lit"]
                            : Array.Empty<string>(),
                        .. disturbs.HasFlag(Disturbs.Steering)
                            ? ["steering wheel in its middle before it moves"]
                            : Array.Empty<string>(),
                    ])
                ),
                10
            ) with
            {
                People = 2,
            }
        );
        if (wheels || disturbs.HasFlag(Disturbs.Brakes) || disturbs.HasFlag(Disturbs.Steering))
        {
            Do(
                Step(
                    Vehicle,
                    "brake-test",
                    "First brake test, at walking pace",
                    Sentence(
                        Phrases([
                            "pump the pedal until it is hard, then brake at walking pace where nobody stands",
                            "a short slow drive, then look again",
                            .. disturbs.HasFlag(Disturbs.Alignment)
                                ?
                                [
                                    "toe and camber have moved: to the alignment shop before any long drive",
                                ]
                                : Array.Empty<string>(),
                        ])
                    ),
                    10
                ) with
                {
                    Caution = "The first pedal may go to the floor. Nobody is in front of it.",
                    HoldFor = HoldReason.BrakeTest,
                }
            );
        }
    }
}
