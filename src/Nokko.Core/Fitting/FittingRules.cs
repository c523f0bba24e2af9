using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>The gates of the fastener ledger and what keeps a line open.</summary>
/// <remarks>Source: docs/computation/companions.md#ledgers-that-must-close.</remarks>
public static class FittingRules
{
    /// <summary>How far a value may lie from its spec, as a share, before somebody is asked why. A rule of thumb.</summary>
    public const double Band = 0.05;

    /// <summary>What stands on the record for a joint that is left open in writing.</summary>
    public const string LeftOpen = "Left open, without a final pass.";

    /// <summary>Why a pass must not be recorded now, or null.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="before">Entries of this joint made before, under the same plan, in order.</param>
    /// <param name="pass">The pass to be recorded.</param>
    /// <param name="position">Hanging or on its wheels.</param>
    public static string? Refusal(
        Joint joint,
        IReadOnlyList<TorqueEntry> before,
        Pass pass,
        WheelPosition position
    )
    {
        var single = joint.Fasteners.Sum(f => f.Count) == 1;
        if (
            pass > Pass.Hand
            && !joint.Kind.IsLookedAt()
            && !(single && joint.Kind == JointKind.CentreNut)
            && before.All(e => e.Pass < pass - 1)
        )
        {
            return pass == Pass.Final
                ? $"{joint.Place}: all of a joint is snug before any is final. Note it as snug first."
                : $"{joint.Place}: start it by hand first.";
        }
        return (pass, joint.Kind.Final(), position) switch
        {
            (Pass.Final, FinalAt.RideHeight, WheelPosition.Hanging) when joint.Kind.Twists() =>
                $"{joint.Place} is bonded rubber: final only at ride height, or it twists, tears and holds the vehicle high.",
            (Pass.Final, FinalAt.RideHeight, WheelPosition.Hanging)
                when joint.Kind == JointKind.SwayBarLink =>
                $"{joint.Place}: sway-bar links are final on both sides together, at ride height.",
            (Pass.Final, FinalAt.Ground, not WheelPosition.OnWheels) => joint.Kind
            == JointKind.Wheel
                ? $"{joint.Place}: wheel nuts are final on the ground."
                : $"{joint.Place}: U-bolts are final with the axle loaded, on its wheels.",
            (Pass.Final, FinalAt.Hanging, WheelPosition.OnWheels) =>
                $"{joint.Place}: {joint.Kind.Said()}.",
            _ => null,
        };
    }

    /// <summary>What keeps a joint's line open, or null when it is closed.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="entries">Its entries under one plan, in order.</param>
    /// <param name="band">How far a value may lie from its spec, as a share.</param>
    public static string? Open(Joint joint, IReadOnlyList<TorqueEntry> entries, double band = Band)
    {
        var last = entries.Count > 0 ? entries[^1] : null;
        if (last is not { Pass: Pass.Final })
        {
            var reached = last?.Pass switch
            {
                Pass.Hand => "by hand only",
                Pass.Snug => "snug only",
                _ => joint.Kind.IsLookedAt() ? "not looked at yet" : "not touched yet",
            };
            return joint.Kind.Final() switch
            {
                FinalAt.RideHeight => $"{reached}; final at ride height",
                FinalAt.Ground => $"{reached}; final on its wheels",
                _ => reached,
            };
        }
        if (joint.Kind.IsLookedAt())
        {
            return last.CriterionSeen ? null : "not looked at";
        }
        if (joint.Spec is not { } spec)
        {
            return "no spec with its source";
        }
        if (spec.Torque is { } torque)
        {
            if (last.Reached() is not { } value)
            {
                return "no value noted";
            }
            if (last.Why is null && OffSpec(torque, value, band) is { } off)
            {
                return off < 0 ? "stopped short of the spec" : "over the spec";
            }
            if (spec.Angle is { } angle)
            {
                if (last.Angle is not { } turned)
                {
                    return "no angle noted";
                }
                if (last.Why is null && OffSpec(angle, turned, band) is { } by)
                {
                    return by < 0 ? "turned short of the angle" : "turned past the angle";
                }
            }
        }
        else if (spec.Criterion is not null && !last.CriterionSeen)
        {
            return "criterion not seen";
        }
        return null;
    }

    /// <summary>By how much a value lies outside the band around its spec, as a share; null within it.</summary>
    /// <param name="spec">What it should be; above zero.</param>
    /// <param name="value">What was reached.</param>
    /// <param name="band">The band, as a share.</param>
    public static double? OffSpec(Quantity spec, Quantity value, double band = Band)
    {
        var off = (value.In(spec.Unit) / spec.In(spec.Unit)) - 1;
        return Math.Abs(off) > band + 1e-9 ? off : null;
    }

    /// <summary>How long work may rest before somebody looks again at what holds the vehicle: it may have been moved.</summary>
    public static readonly TimeSpan Rest = TimeSpan.FromHours(8);

    /// <summary>Whether the vehicle hangs and nobody has worked on it for so long that it may have been moved meanwhile.</summary>
    /// <param name="supports">What was said on supports.</param>
    /// <param name="last">When somebody last worked on it; null is never.</param>
    /// <param name="now">This instant.</param>
    public static bool MayHaveBeenMoved(
        IReadOnlyList<SupportEntry> supports,
        DateTimeOffset? last,
        DateTimeOffset now
    ) => last is { } then && now - then >= Rest && Hangs(supports);

    /// <summary>Whether an axle hangs now.</summary>
    /// <param name="supports">What was said on supports.</param>
    public static bool Hangs(IReadOnlyList<SupportEntry> supports) =>
        Corners.Axles.Any(a => Position(supports, a.Said()) == WheelPosition.Hanging);

    /// <summary>The step of the same place that comes before one and is not done; null where the order is kept.</summary>
    /// <param name="card">The card.</param>
    /// <param name="done">Keys of steps done.</param>
    /// <param name="step">The step that is to be done.</param>
    public static CardStep? Skipped(JobCard card, IReadOnlySet<string> done, CardStep step) =>
        card
            .Steps.TakeWhile(s => s.Key != step.Key)
            .FirstOrDefault(s => !s.Hold && s.Where == step.Where && !done.Contains(s.Key));

    /// <summary>Where the wheels of a place are by the last word on its supports; on its wheels when nothing was said.</summary>
    /// <param name="supports">What was said on supports.</param>
    /// <param name="where">LF, RF, LR, RR, front, rear or vehicle; the whole vehicle hangs while one end does.</param>
    public static WheelPosition Position(IReadOnlyList<SupportEntry> supports, string where)
    {
        WheelPosition At(Axle axle) =>
            supports
                .Where(s => s.Where == "all" || s.Where == axle.Said())
                .MaxBy(s => s.At)
                ?.Position
            ?? WheelPosition.OnWheels;
        return Corners.AxleAt(where) is { } at ? At(at)
            : Corners.Axles.Any(a => At(a) == WheelPosition.Hanging) ? WheelPosition.Hanging
            : WheelPosition.OnWheels;
    }

    /// <summary>The same joint on the other side of the vehicle; null for one in the middle.</summary>
    public static string? Twin(string place)
    {
        var where = place.Split(' ')[0];
        return Corners.Named(where) is null ? null
            : where[0] == 'L' ? $"R{place[1..]}"
            : $"L{place[1..]}";
    }

    /// <summary>Key of the same step on the other side; null for one in the middle.</summary>
    /// <param name="step">Key of a step.</param>
    public static string? TwinOfStep(string step) =>
        Corners.Named(WhereOf(step)) is null ? null
        : step[0] == 'L' ? $"R{step[1..]}"
        : $"L{step[1..]}";

    /// <summary>In what a joint differs from the same one on the other side, or null.</summary>
    public static string? Differs(Joint joint, Joint? twin)
    {
        if (twin is null)
        {
            return null;
        }
        string[] ways =
        [
            .. joint.Kind != twin.Kind ? ["kind"] : Array.Empty<string>(),
            .. joint.None != twin.None
                ? ["this vehicle has it on one side only"]
                : Array.Empty<string>(),
            .. joint.Spec is { } a
            && twin.Spec is { } b
            && (
                a.Torque?.In(Unit.NewtonMetre) is var x
                && b.Torque?.In(Unit.NewtonMetre) is var y
                && (x is null != y is null || Math.Abs((x ?? 0) - (y ?? 0)) > 0.5)
            )
                ? ["spec"]
                : Array.Empty<string>(),
            .. !joint
                .Fasteners.Select(f => (f.Position, f.Count, f.Thread))
                .SequenceEqual(twin.Fasteners.Select(f => (f.Position, f.Count, f.Thread)))
                ? ["fasteners"]
                : Array.Empty<string>(),
        ];
        return ways.Length == 0 ? null : string.Join(", ", ways);
    }

    /// <summary>The step before which a hold point still waits, or null when the way is free.</summary>
    /// <param name="card">The card.</param>
    /// <param name="done">Keys of steps done.</param>
    /// <param name="step">The step that is to be done.</param>
    public static CardStep? HoldBefore(JobCard card, IReadOnlySet<string> done, string step) =>
        card
            .Steps.TakeWhile(s => s.Key != step)
            .FirstOrDefault(s =>
                s.Hold && !done.Contains(s.Key) && Concerns(s.Where, WhereOf(step))
            );

    /// <summary>A hold concerns a step where one of their places holds the other.</summary>
    private static bool Concerns(string hold, string step) =>
        hold == step
        || hold == "vehicle"
        || step == "vehicle"
        || (Corners.Named(step) is { } corner && hold == Corners.AxleOf(corner).Said())
        || (Corners.Named(hold) is { } held && step == Corners.AxleOf(held).Said());

    /// <summary>The corner or axle of a step, or "vehicle", from its key.</summary>
    public static string WhereOf(string step) => step.Split('/')[0];
}
