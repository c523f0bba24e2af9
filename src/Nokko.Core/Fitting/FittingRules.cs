using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>The gates of the fastener ledger and what keeps a line open.</summary>
/// <remarks>Source: docs/computation/companions.md#ledgers-that-must-close.</remarks>
public static class FittingRules
{
    /// <summary>A value this far below its spec, as a share, still counts as reached: unit conversion and reading of the wrench.</summary>
    private const double Short = 0.005;

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
        if (pass > Pass.Hand && before.All(e => e.Pass < pass - 1))
        {
            return pass == Pass.Final
                ? $"{joint.Place}: all of a joint is snug before any is final. Note it as snug first."
                : $"{joint.Place}: start it by hand first.";
        }
        return (pass, joint.Kind, position) switch
        {
            (Pass.Final, JointKind.BondedRubber, WheelPosition.Hanging) =>
                $"{joint.Place} is bonded rubber: final only on its wheels, or it twists, tears and holds the vehicle high.",
            (Pass.Final, JointKind.Wheel, WheelPosition.Hanging) =>
                $"{joint.Place}: wheel nuts are final on the ground.",
            _ => null,
        };
    }

    /// <summary>What keeps a joint's line open, or null when it is closed.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="entries">Its entries under one plan, in order.</param>
    public static string? Open(Joint joint, IReadOnlyList<TorqueEntry> entries)
    {
        var last = entries.Count > 0 ? entries[^1] : null;
        if (last is not { Pass: Pass.Final })
        {
            var reached = last?.Pass switch
            {
                Pass.Hand => "by hand only",
                Pass.Snug => "snug only",
                _ => "not touched yet",
            };
            return joint.Kind is JointKind.BondedRubber or JointKind.Wheel
                ? $"{reached}; final on its wheels"
                : reached;
        }
        if (joint.Spec is not { } spec)
        {
            return "no spec with its source";
        }
        if (spec.Torque is { } torque)
        {
            if (last.Value is not { } value)
            {
                return "no value noted";
            }
            if (value.In(Unit.NewtonMetre) < torque.In(Unit.NewtonMetre) * (1 - Short))
            {
                return "stopped short of the spec";
            }
        }
        else if (spec.Criterion is not null && !last.CriterionSeen)
        {
            return "criterion not seen";
        }
        return null;
    }

    /// <summary>Where the wheels are by the last word on supports; on its wheels when nothing was said.</summary>
    public static WheelPosition Position(IReadOnlyList<SupportEntry> supports) =>
        supports.MaxBy(s => s.At)?.Position ?? WheelPosition.OnWheels;

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

    /// <summary>A hold on the vehicle or an axle stops its corners too; a step on the whole vehicle waits for every hold.</summary>
    private static bool Concerns(string hold, string step) =>
        hold == step
        || hold == "vehicle"
        || step == "vehicle"
        || (Corners.Named(step) is { } corner && hold == Corners.AxleOf(corner).Said());

    /// <summary>The corner or axle of a step, or "vehicle", from its key.</summary>
    public static string WhereOf(string step) =>
        step[..step.IndexOf('/', StringComparison.Ordinal)];
}
