using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>A coil-over on a lower arm.</content>
internal sealed partial class CardWriter
{
    public void Strut(CornerChange change, SuspensionKind kind)
    {
        var c = change.Corner;
        var top = $"{c} strut top plate to body";
        var foot = $"{c} strut foot to lower arm";
        var link = $"{c} sway-bar link to arm";
        var parted = Parted.On(c.Name(), kind);
        var opensSpring = change.Gone.Concat(change.Come).Any(p => PartRule.Of(p.Kind).OpensSpring);
        _joints.AddRange([
            new(
                c.Name(),
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
                c.Name(),
                foot,
                JointKind.BondedRubber,
                [new Fastener { Position = "through bolt", Count = 1 }],
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
            .. parted.Joint is { } joint
                ? [new CardJoint(c.Name(), joint, parted.Kind, parted.Fasteners, null)]
                : Array.Empty<CardJoint>(),
        ]);
        string[] hanging = parted.Joint is { } also ? [top, link, also] : [top, link];
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
                Where = c.Name(),
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
                Where = c.Name(),
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
                Where = c.Name(),
                Title = "Strut out",
                Do =
                    $"Undo the link, {parted.How}, undo the strut foot, then the top studs. Lower the {parted.Carrier} and take the strut out.",
                TakesOff =
                [
                    $"{c} sway-bar link nut",
                    .. parted.Off,
                    $"{c} strut-foot bolt",
                    $"{c} strut top nuts",
                    $"{c} strut",
                ],
                Minutes = 35,
                People = 2,
                Tools = [.. parted.Tools, $"floor jack under the {parted.Carrier}", "paint pen"],
            }
        );
        _steps.Add(opensSpring ? CoilOut(c.Name()) : TopNutStays(c.Name()));
        Add(
            c,
            "change-stack",
            $"Change the stack: {change.Said}",
            "Clean both faces. Turn the plate so that its studs meet the body's holes and the strut foot points as it was marked."
                + change.Which,
            15
        );
        Close(
            c.Name(),
            "strut-in",
            "Strut in, all by hand",
            "Top studs first, then the foot and what was parted, the link last; each started by hand.",
            [.. hanging, foot],
            Pass.Hand,
            20,
            2
        );
        Close(
            c.Name(),
            "snug",
            "Snug all of it",
            "Every fastener of a joint is snug before any is final. Rubber joints stay at snug.",
            [.. hanging, foot],
            Pass.Snug,
            10
        );
        Close(
            c.Name(),
            "final-hanging",
            "Final: what may be final hanging",
            "All but the rubber of the strut foot, to the values of the service information. New cotter pins.",
            hanging,
            Pass.Final,
            10
        );
    }

    private static CardStep TopNutStays(string c) =>
        new()
        {
            Key = $"{c}/top-nut-stays",
            Where = c,
            Title = "The strut's top nut stays on",
            Do =
                "A plate outside the strut needs no opened strut. Confirm that the big centre nut was not touched.",
            Caution =
                "The centre nut holds the spring. Without a spring compressor it stays on: a spring let go kills.",
            Hold = true,
            Minutes = 1,
        };

    private static CardStep CoilOut(string c) =>
        new()
        {
            Key = $"{c}/coil-squeezed",
            Where = c,
            Title = "Coil squeezed, loose in its seats",
            Do =
                "Mark top plate, coil and foot in line. Squeeze the coil with a rated compressor, hooks opposite each other, until it turns freely; only then the centre nut, by hand tools.",
            Caution =
                "A spring let go kills. Nobody stands over its ends, no impact gun on compressor or nut, and it is not left squeezed.",
            Hold = true,
            Minutes = 20,
            People = 2,
            Tools = ["rated spring compressor", "hand tools for the centre nut"],
        };

    /// <summary>What is parted so that a strut comes out.</summary>
    private sealed record Parted(
        string? Joint,
        JointKind Kind,
        IReadOnlyList<Fastener> Fasteners,
        string How,
        IReadOnlyList<string> Off,
        IReadOnlyList<string> Tools,
        string Carrier
    )
    {
        public static Parted On(string c, SuspensionKind kind) =>
            kind switch
            {
                SuspensionKind.Strut => new(
                    $"{c} strut clamp to upright",
                    JointKind.Clamped,
                    [
                        new Fastener
                        {
                            Position = "clamp bolts",
                            Count = 2,
                            NewPartOnly = true,
                        },
                    ],
                    "tie the upright up and undo its clamp bolts",
                    [$"{c} clamp bolts and nuts"],
                    [],
                    "upright"
                ),
                SuspensionKind.TrailingArm => new(
                    null,
                    JointKind.Clamped,
                    [],
                    "let the arm down on the jack",
                    [],
                    [],
                    "arm"
                ),
                SuspensionKind.CoilOverAxle => new(
                    null,
                    JointKind.Clamped,
                    [],
                    "let the axle down on the jack",
                    [],
                    [],
                    "axle"
                ),
                _ => new(
                    $"{c} upper ball joint to upright",
                    JointKind.Ball,
                    [
                        new Fastener
                        {
                            Position = "castle nut and cotter pin",
                            Count = 1,
                            NewPartOnly = true,
                        },
                    ],
                    "part the upper ball joint with its nut left on",
                    [$"{c} ball-joint nut and cotter pin"],
                    ["ball-joint separator"],
                    "arm"
                ),
            };
    }
}
