using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>What a cause is called, and how it is checked.</summary>
public static class CauseWords
{
    private static string At(string where) =>
        Corners.Named(where) is { } corner ? Corners.Said(corner)
        : where == "front" ? "in front"
        : where == "rear" ? "at the rear"
        : where == "vehicle" ? "in front or at the rear"
        : where;

    /// <summary>The cause, in a fitter's words.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="where">LF … RR, front, rear, left, right or vehicle.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no cause.</exception>
    public static string Said(CauseKind kind, string where) =>
        kind switch
        {
            CauseKind.Nothing => "Nothing but what tape and prediction can be wrong by",
            CauseKind.NotSettled => $"Springs not settled {At(where)}",
            CauseKind.TightenedHanging => $"Rubber tightened hanging {At(where)}",
            CauseKind.LiftLine => $"The parts lift by another ratio {At(where)}",
            CauseKind.OtherLoad =>
                $"Another load on the new springs {At(where)} than they were made for",
            CauseKind.SaggedMore => $"The old springs {At(where)} had sagged more than thought",
            CauseKind.NotSeated => $"Spring not seated, or an isolator twice, {At(where)}",
            CauseKind.SidesSwapped => $"Left and right swapped {At(where)}",
            CauseKind.Slip => $"The reading {At(where)} slipped, or was taken from another datum",
            CauseKind.TyreLow => $"Tyre or ground low {At(where)}",
            CauseKind.MountCrushed => $"Body mounts crushed on the {where}",
            CauseKind.OtherCargo => "Another load in the vehicle than before the work",
            CauseKind.Other => "Something that is not on this list",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No cause."),
        };

    /// <summary>The cause of some vehicle or other, in a fitter's words.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no cause.</exception>
    public static string Bare(CauseKind kind) =>
        kind switch
        {
            CauseKind.Nothing => "nothing but tape and prediction",
            CauseKind.NotSettled => "springs not settled",
            CauseKind.TightenedHanging => "rubber tightened hanging",
            CauseKind.LiftLine => "parts lift by another ratio",
            CauseKind.OtherLoad => "another load than the springs were made for",
            CauseKind.SaggedMore => "old springs sagged more than thought",
            CauseKind.NotSeated => "spring not seated, or an isolator twice",
            CauseKind.SidesSwapped => "left and right swapped",
            CauseKind.Slip => "a reading slipped",
            CauseKind.TyreLow => "tyre or ground low",
            CauseKind.MountCrushed => "body mounts crushed on one side",
            CauseKind.OtherCargo => "another load in the vehicle",
            CauseKind.Other => "something else",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No cause."),
        };

    /// <summary>How a cause is checked, in a fitter's words.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="where">Where.</param>
    /// <param name="settled">Whether the vehicle was rolled or driven before it was read.</param>
    /// <exception cref="ArgumentOutOfRangeException">Nothing checks it.</exception>
    public static string CheckOf(CauseKind kind, string where, bool settled) =>
        kind switch
        {
            CauseKind.NotSettled => settled
                ? "It was rolled already: read it again after 100 miles (160 km), and note the odometer. New springs come down over them."
                : "Roll it forward and back by a wheel's turn, bounce each end, read again: if it comes down, it was that.",
            CauseKind.TightenedHanging =>
                $"Slacken the rubber {At(where)} at ride height, roll it, make it final there, read again.",
            CauseKind.OtherLoad =>
                $"Lay a known weight over the axle {At(where)} and read what it sinks by: rate and load come out of it.",
            CauseKind.SaggedMore =>
                $"Hold the old springs from {(where == "front" ? "the front" : "the rear")} beside the new ones, or find the standard height of this variant.",
            CauseKind.NotSeated =>
                $"Look at the spring's end in its pocket, {At(where)}, and count the isolators, top and bottom.",
            CauseKind.SidesSwapped => $"Read the marks on both parts {At(where)} against the card.",
            CauseKind.Slip => $"Read {At(where)} again, tape and mark anew.",
            CauseKind.TyreLow =>
                $"Gauge the tyre {At(where)}, lay the straight edge on the floor under it.",
            CauseKind.MountCrushed =>
                $"Tape body to frame at each mount on both sides: is the {where} one lower?",
            CauseKind.OtherCargo =>
                "Put load, fuel and people as they were before the work and note them with the round, roll it, read again.",
            CauseKind.Other => "Walk round with the card: what is not as it was planned?",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Nothing checks it."),
        };
}
