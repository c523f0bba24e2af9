using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Springs that stand by themselves: coils on a live axle or a link, a leaf across; and body mounts.</content>
internal sealed partial class CardWriter
{
    public void Coil(Axle axle, SuspensionKind kind, IReadOnlyList<CornerChange> changed)
    {
        var carrier = kind.IsLiveAxle() ? "axle" : "arm";
        _steps.Add(
            new CardStep
            {
                Key = $"{axle.Said()}/hose-free",
                Where = axle.Said(),
                Title = "Free the hose and the leads",
                Do =
                    $"Unbolt the brake-hose bracket and the sensor leads, so that both follow the {carrier} down.",
                TakesOff =
                [
                    $"{axle.Said()} brake-hose bracket bolt",
                    $"{axle.Said()} sensor-lead clips",
                ],
                Minutes = 10,
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{axle.Said()}/carried",
                Where = axle.Said(),
                Title = kind.IsLiveAxle()
                    ? "Axle on jacks before the last shock bolt is out"
                    : "Arm on a jack before the last bolt is out",
                Do = kind.IsLiveAxle()
                    ? "A jack under each end of the axle, just touching. Links and track bar stay connected: they say where the axle goes."
                    : "A jack under the outer end of the arm, just touching.",
                Caution =
                    $"The shock alone holds the {carrier} against the spring. Let it down slowly; nobody's hands between coil and seat, and no hose carries weight.",
                Hold = true,
                Minutes = 4,
            }
        );
        foreach (var change in changed)
        {
            var c = change.Corner;
            var shock = $"{c} lower shock mount";
            var link = $"{c} sway-bar link to {carrier}";
            _joints.AddRange([
                new(
                    c.Name(),
                    shock,
                    JointKind.BondedRubber,
                    [new Fastener { Position = "shock bolt", Count = 1 }],
                    null
                ),
                new(
                    c.Name(),
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
            ]);
            _steps.Add(
                new CardStep
                {
                    Key = $"{c}/spring-out",
                    Where = c.Name(),
                    Title =
                        kind == SuspensionKind.TransverseLeaf
                            ? "Leaf's end off the arm"
                            : "Coil out",
                    Do =
                        $"Mark how the spring's end sits. Undo the link and the lower shock bolt, let the {carrier} down until the spring is loose, and lift it out with its isolators.",
                    TakesOff =
                    [
                        $"{c} sway-bar link nut",
                        $"{c} lower shock bolt",
                        $"{c} spring and isolators",
                    ],
                    Minutes = 20,
                    People = 2,
                    Tools = [$"floor jack under the {carrier}", "paint pen"],
                }
            );
            Add(
                c,
                "change-stack",
                $"Change the stack: {change.Said}",
                "A bump-stop extension goes in before the spring. Isolator between coil and metal, pigtail against its stop, both ends in their seats all round."
                    + change.Which,
                15
            );
            Close(
                c.Name(),
                "spring-in",
                "Up against the spring, by hand",
                $"Raise the {carrier} and look at both seats on the way. Shock and link by hand.",
                [shock, link],
                Pass.Hand,
                10,
                2
            );
            Close(
                c.Name(),
                "snug",
                "Snug all of it",
                "Rubber joints stay at snug.",
                [shock, link],
                Pass.Snug,
                5
            );
            Close(
                c.Name(),
                "final-hanging",
                "Final: what may be final hanging",
                "The link to the value of the service information.",
                [link],
                Pass.Final,
                5
            );
        }
    }

    public void Body(IReadOnlyList<CornerChange> changed)
    {
        _steps.Add(
            new CardStep
            {
                Key = "body/free",
                Where = "vehicle",
                Title = "What ties the body to the frame",
                Do =
                    "Battery off, wheel locked, then the steering shaft. Look along brake lines, hoses, wires, filler, shifter, shrouds and bumper brackets: free or slack by as much as the body will rise, each of them.",
                Caution =
                    "A steering shaft that leaves its splines is no steering. Mark its overlap before the first bolt.",
                Hold = true,
                TakesOff = ["battery lead", "steering-shaft clamp bolt"],
                Minutes = 45,
                People = 2,
                Tools = ["paint pen", "wheel lock"],
            }
        );
        foreach (var change in changed)
        {
            var c = change.Corner;
            var mount = $"{c} body mount to frame";
            _joints.Add(
                new CardJoint(
                    c.Name(),
                    mount,
                    JointKind.BondedRubber,
                    [
                        new Fastener
                        {
                            Position = "body bolts",
                            Count = 2,
                            NewPartOnly = true,
                        },
                    ],
                    "all by hand before any is snug"
                )
            );
            Add(
                c,
                "change-mounts",
                $"Body mounts: {change.Said}",
                "One side at a time, the other side's bolts loose but in. Lift the body with a wide board on the jack, no more than the pieces need."
                    + change.Which,
                40
            );
            Close(
                c.Name(),
                "mounts-hand",
                "Body bolts by hand",
                change.Come.Any(p => p.Kind == PartKind.BodyPuck)
                    ? "Longer bolts: old length and the puck. All in before any is snug."
                    : "All in before any is snug.",
                [mount],
                Pass.Hand,
                10,
                2
            );
            Close(
                c.Name(),
                "mounts-snug",
                "Body bolts snug",
                "In rounds, front to rear.",
                [mount],
                Pass.Snug,
                5
            );
        }
    }
}
