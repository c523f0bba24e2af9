using System.Globalization;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Papers;

/// <summary>Words of verdicts, fates, positions and movements as they stand on papers and screens.</summary>
public static class PaperWords
{
    /// <summary>The verdict on the wish as a whole.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none.</exception>
    public static string AsWanted(this Verdict verdict) =>
        verdict switch
        {
            Verdict.Reached => "Sits as wanted",
            Verdict.NotReached => "Not as wanted",
            Verdict.MeasureAgain => "Measure again: no verdict yet",
            Verdict.CannotTell => "No verdict yet",
            _ => throw new ArgumentOutOfRangeException(nameof(verdict), verdict, "No verdict."),
        };

    /// <summary>The verdict on the plan.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none.</exception>
    public static string AsForetold(this Verdict verdict) =>
        verdict switch
        {
            Verdict.Reached => "Landed where foretold",
            Verdict.NotReached => "Not where foretold",
            Verdict.MeasureAgain => "Where it landed: measure again",
            Verdict.CannotTell => "Where it landed cannot be told",
            _ => throw new ArgumentOutOfRangeException(nameof(verdict), verdict, "No verdict."),
        };

    /// <summary>The verdict on one wished thing.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none.</exception>
    public static string OfWish(this Verdict verdict) =>
        verdict switch
        {
            Verdict.Reached => "as wanted",
            Verdict.NotReached => "not as wanted",
            Verdict.MeasureAgain => "too near or too unsure to tell",
            Verdict.CannotTell => "cannot tell",
            _ => throw new ArgumentOutOfRangeException(nameof(verdict), verdict, "No verdict."),
        };

    /// <summary>What was wanted, by its name in a proof.</summary>
    public static IReadOnlyDictionary<string, string> Targets { get; } =
        new Dictionary<string, string>
        {
            ["rake"] = "Rake",
            ["rakeLoaded"] = "Rake with the load on",
            ["frontLift"] = "Front lift, at least",
            ["rearLift"] = "Rear lift, at least",
            ["frontMost"] = "Front lift, at most",
            ["rearMost"] = "Rear lift, at most",
            ["leanFront"] = "Lean in front",
            ["leanRear"] = "Lean behind",
            ["diagonals"] = "Right front and left rear",
        };

    /// <summary>How something is known.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is known in no such way.</exception>
    public static string Said(this Known known) =>
        known switch
        {
            Known.Measured => "measured",
            Known.Document => "from a document",
            Known.Box => "read off a box",
            Known.Told => "told",
            Known.ByEye => "by eye",
            Known.Estimated => "estimated",
            Known.Archetype => "archetype",
            Known.Computed => "computed",
            _ => throw new ArgumentOutOfRangeException(nameof(known), known, "Not known so."),
        };

    /// <summary>What became of a removed piece.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no fate.</exception>
    public static string Said(this Fate fate) =>
        fate switch
        {
            Fate.RefitHere => "back where it was",
            Fate.RefitElsewhere => "fitted elsewhere",
            Fate.Replaced => "replaced by a new one",
            Fate.Scrap => "scrap",
            Fate.KeptForUndo => "kept for undoing",
            _ => throw new ArgumentOutOfRangeException(nameof(fate), fate, "No fate."),
        };

    /// <summary>Where the wheels are.</summary>
    /// <exception cref="ArgumentOutOfRangeException">They are nowhere.</exception>
    public static string Said(this WheelPosition position) =>
        position switch
        {
            WheelPosition.Hanging => "hanging",
            WheelPosition.OnWheels => "on its wheels",
            WheelPosition.RaisedToHeight => "raised to its taped height",
            _ => throw new ArgumentOutOfRangeException(nameof(position), position, "No position."),
        };

    /// <summary>What is done to metal.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is nothing of it.</exception>
    public static string Said(this CutKind kind) =>
        kind switch
        {
            CutKind.Cut => "cut",
            CutKind.Drill => "drilled",
            CutKind.Trim => "trimmed",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No cut."),
        };

    /// <summary>What a mechanism's change is a change of; null of those that are foretold no number that is read again.</summary>
    public static string? Moves(this MechanismKind kind) =>
        kind switch
        {
            MechanismKind.TrackBar => "axle aside, toward the bar’s end at the body",
            MechanismKind.Caster => "caster",
            MechanismKind.Pinion => "pinion, up",
            MechanismKind.Propshaft => "the shaft’s joint at the axle",
            MechanismKind.SwayBar => "anti-roll bar’s arm, down",
            MechanismKind.Arms => "camber",
            MechanismKind.Hoses => "slack at full droop",
            MechanismKind.Contacts => "room at the fender, at full lock",
            MechanismKind.Steering => "drag link’s slope",
            MechanismKind.CvShaft => "half-shafts’ slope",
            MechanismKind.CornerScales => "of 100, on right front and left rear",
            MechanismKind.Headlights => "mark on the wall, up",
            _ => null,
        };

    /// <summary>A torque in both units, as it is read in a bay.</summary>
    internal static string Torque(Quantity q)
    {
        return string.Join(" · ", new[] { Unit.PoundFoot, Unit.NewtonMetre }.Select(One));

        string One(Unit unit)
        {
            var value = q.In(unit);
            // As it was typed to a tenth; what is only turned into the other unit has a tenth where that is worth something.
            var digits = q.Unit == unit || value < 20 ? "0.#" : "0";
            return $"{value.ToString(digits, CultureInfo.InvariantCulture)} {unit.Symbol}";
        }
    }
}
