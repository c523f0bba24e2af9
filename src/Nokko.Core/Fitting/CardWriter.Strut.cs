using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>A coil-over on a lower arm.</content>
internal sealed partial class CardWriter
{
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
}
