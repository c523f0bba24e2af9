using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <content>What tells where a tyre touches.</content>
public static partial class SuspensionSizes
{
    /// <summary>Offset (ET) of the rims that are on.</summary>
    public const string RimOffset = "rimOffset";

    /// <summary>Width of the rims that are on, bead to bead.</summary>
    public const string RimWidth = "rimWidth";

    /// <summary>How far a wheel turns from straight to its lock.</summary>
    public const string LockAngle = "lockAngle";

    /// <summary>Least gap ahead of the tyre while it turns to both locks, on its wheels.</summary>
    public const string AheadAtLock = "aheadAtLock";

    /// <summary>Least gap behind the tyre while it turns to both locks, on its wheels.</summary>
    public const string BehindAtLock = "behindAtLock";

    /// <summary>Least gap from the tyre to frame or arm at both locks, on its wheels.</summary>
    public const string InsideAtLock = "insideAtLock";

    /// <summary>Least gap ahead of the tyre while it turns, at full bump.</summary>
    public const string AheadFlexed = "aheadFlexed";

    /// <summary>Least gap behind the tyre while it turns, at full bump.</summary>
    public const string BehindFlexed = "behindFlexed";

    /// <summary>Least gap from the tyre to frame or arm at both locks, at full bump.</summary>
    public const string InsideFlexed = "insideFlexed";

    /// <summary>Gap from the tyre, straight, to what hangs on frame or body beside it.</summary>
    public const string TyreToFrame = "tyreToFrame";

    /// <summary>Gap from the tyre, straight, to what goes up and down with it.</summary>
    public const string TyreToArm = "tyreToArm";

    private static SuspensionSize[] OfTyres()
    {
        const string Turning =
            "On its wheels, the least while somebody turns to both locks, left and right. Fingers out before the wheel is turned.";
        const string Flexed =
            "The same with the wheel at full bump: springs out or on a ramp, on stands as the card says.";
        return
        [
            new(TyreToFrame, Unit.Mm, 0, 600, "Tyre to frame or exhaust", "Wheels straight."),
            new(
                TyreToArm,
                Unit.Mm,
                0,
                400,
                "Tyre to arm, spring, strut or brake line",
                "What goes up and down with the wheel; wheels straight, the least of both sides."
            ),
            new(
                AheadAtLock,
                Unit.Mm,
                0,
                400,
                "Tyre to what is ahead of it, turning",
                Turning,
                Steered: true
            ),
            new(
                BehindAtLock,
                Unit.Mm,
                0,
                400,
                "Tyre to what is behind it, turning",
                Turning,
                Steered: true
            ),
            new(
                InsideAtLock,
                Unit.Mm,
                0,
                400,
                "Tyre to frame, at full lock",
                "On its wheels, the less of both locks and sides.",
                Steered: true
            ),
            new(
                AheadFlexed,
                Unit.Mm,
                0,
                400,
                "Tyre to what is ahead of it, turning, at full bump",
                Flexed,
                Steered: true
            ),
            new(
                BehindFlexed,
                Unit.Mm,
                0,
                400,
                "Tyre to what is behind it, turning, at full bump",
                Flexed,
                Steered: true
            ),
            new(
                InsideFlexed,
                Unit.Mm,
                0,
                400,
                "Tyre to frame, at full lock, at full bump",
                Flexed,
                Steered: true
            ),
            new(
                LockAngle,
                Unit.Degree,
                10,
                60,
                "Lock, straight to full",
                "From the turning plates of a rack, or two strings. Else 33°, a rule of thumb.",
                Steered: true
            ),
            new(
                RimOffset,
                Unit.Mm,
                -150,
                150,
                "Offset (ET) of the rims that are on",
                "Stamped on the back of the rim; with other rims it tells where the tyre goes."
            ),
            new(
                RimWidth,
                Unit.Mm,
                60,
                500,
                "Width of the rims that are on",
                "Bead to bead; 8 in is 203 mm. Counts where the rim is wider than the tyre."
            ),
        ];
    }
}
