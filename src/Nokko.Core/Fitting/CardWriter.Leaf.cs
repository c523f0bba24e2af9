using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>A live axle on leaf springs.</content>
internal sealed partial class CardWriter
{
    public void Leaf(Axle axle, IReadOnlyList<CornerChange> changed)
    {
        _steps.Add(
            new CardStep
            {
                Key = $"{axle.Said()}/hose-free",
                Where = axle.Said(),
                Title = "Free the axle's hose, leads and shocks",
                Do =
                    "Unbolt the brake-hose bracket from the axle and the lower shock mounts, so that nothing holds the axle as it comes down.",
                TakesOff =
                [
                    $"{axle.Said()} brake-hose bracket bolt",
                    .. changed.Select(c => $"{c.Corner} lower shock bolt"),
                ],
                Minutes = 10,
            }
        );
        _steps.Add(
            new CardStep
            {
                Key = $"{axle.Said()}/axle-supported",
                Where = axle.Said(),
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
                    c.Name(),
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
                    c.Name(),
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
                    Where = c.Name(),
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
                "Pin in its hole at both faces. One block only, never two." + change.Which,
                10
            );
            Close(
                c.Name(),
                "ubolts-snug",
                "New U-bolts, by hand",
                "Plate on, nuts by hand, threads past the nut.",
                [ubolts, shock],
                Pass.Hand,
                10,
                2
            );
            Close(
                c.Name(),
                "snug",
                "Snug, criss-cross",
                "Each nut a little in turn, so that the plate stays level.",
                [ubolts, shock],
                Pass.Snug,
                5
            );
        }
    }
}
