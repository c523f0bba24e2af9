using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>What a cause is called, and the check that tells it from others of its class.</summary>
/// <param name="Said">The cause, in a fitter's words.</param>
/// <param name="Check">How it is checked; null where nothing is to be checked.</param>
/// <param name="Minutes">Usual minutes of the check, a rule of thumb.</param>
public sealed record CauseWords(string Said, string? Check, int Minutes)
{
    /// <summary>The words of a cause.</summary>
    /// <param name="cause">The cause.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no cause.</exception>
    public static CauseWords Of(Cause cause)
    {
        var at =
            Corners.Named(cause.Where) is { } corner ? Corners.Said(corner)
            : cause.Where == "front" ? "in front"
            : cause.Where == "rear" ? "at the rear"
            : cause.Where;
        return cause.Kind switch
        {
            CauseKind.Nothing => new(
                "Nothing but what tape and prediction can be wrong by",
                null,
                0
            ),
            CauseKind.NotSettled => new(
                $"Springs not settled {at}",
                "Roll it forward and back by a wheel's turn, bounce each end, read again: if it comes down, it was that.",
                10
            ),
            CauseKind.TightenedHanging => new(
                $"Rubber tightened hanging {at}",
                "Slacken the rubber at ride height, roll it, make it final there, read again.",
                35
            ),
            CauseKind.LiftLine => new(
                $"The parts lift by another ratio {at}",
                "Nothing to mend: once the others are ruled out, the second pass counts with what came.",
                0
            ),
            CauseKind.OtherLoad => new(
                $"Another load on the new springs {at} than they were made for",
                "Lay a known weight over that axle and read what it sinks by: the rate and the load come out of it.",
                25
            ),
            CauseKind.SaggedMore => new(
                $"The old springs {at} had sagged more than thought",
                "Hold old and new side by side, or find the standard height of this variant.",
                10
            ),
            CauseKind.NotSeated => new(
                $"Spring not seated, or an isolator twice, {at}",
                "Look at the spring's end in its pocket and count the isolators, top and bottom.",
                10
            ),
            CauseKind.SidesSwapped => new(
                $"Left and right swapped {at}",
                "Read the marks on both parts against the card.",
                5
            ),
            CauseKind.Slip => new(
                $"The reading {at} slipped, or was taken from another datum",
                "Read that corner again, tape and mark anew.",
                3
            ),
            CauseKind.TyreLow => new(
                $"Tyre or ground low {at}",
                "Gauge the tyre, lay the straight edge on the floor under it.",
                5
            ),
            CauseKind.MountCrushed => new(
                $"Body mounts crushed on the {at}",
                "Tape body to frame on both sides at each mount.",
                15
            ),
            CauseKind.Other => new(
                "Something that is not on this list",
                "Walk round with the card: what is not as it was planned?",
                30
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(cause), cause.Kind, "No cause."),
        };
    }
}
