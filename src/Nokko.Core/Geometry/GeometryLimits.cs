using System.Globalization;
using Nokko.Core.Stance;
using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <summary>A limit of a job's or a shop's own.</summary>
/// <param name="Kind">The mechanism whose number it limits.</param>
/// <param name="Most">Most that the number may be on either side, in the unit of its rule; of what must be left, the least.</param>
public sealed record GeometryLimit(MechanismKind Kind, Quantity Most);

/// <summary>A rule of thumb for what is left alone.</summary>
/// <param name="Kind">The mechanism.</param>
/// <param name="Unit">Unit of its number.</param>
/// <param name="Most">Most that the number may be on either side.</param>
/// <param name="Low">Least that an own limit can be.</param>
/// <param name="High">Most that an own limit can be.</param>
/// <param name="From">Where it comes from.</param>
/// <param name="Least">Whether it is the least that must be left, not the most that may be.</param>
public sealed record LimitRule(
    MechanismKind Kind,
    Unit Unit,
    double Most,
    double Low,
    double High,
    string From,
    bool Least = false
);

/// <summary>How much of what a lift moves is left alone: rules of thumb, and the own limits that stand instead of them.</summary>
/// <remarks>Source: docs/computation/geometry.md#limits.</remarks>
/// <param name="Own">Own limits; one a mechanism.</param>
public sealed record GeometryLimits(IReadOnlyList<GeometryLimit> Own)
{
    /// <summary>The rules of thumb, with nothing of one's own.</summary>
    public static GeometryLimits Usual { get; } = new([]);

    /// <summary>All rules.</summary>
    public static IReadOnlyList<LimitRule> Rules { get; } =
    [
        new(
            MechanismKind.TrackBar,
            Unit.Mm,
            6.35,
            1.5,
            40,
            "less is within what tyres and fenders differ by on a truck that nobody lifted"
        ),
        new(
            MechanismKind.Steering,
            Unit.Degree,
            0.3,
            0.05,
            5,
            "over 2 in of droop; less is not felt at the wheel beside the road's own"
        ),
        new(
            MechanismKind.Caster,
            Unit.Degree,
            1,
            0.2,
            6,
            "about half the range that makers allow to either side"
        ),
        new(
            MechanismKind.Pinion,
            Unit.Degree,
            1,
            0.2,
            10,
            "the finest step of a wedge, and what two gauges differ by"
        ),
        new(
            MechanismKind.Propshaft,
            Unit.Degree,
            3.2,
            0.5,
            15,
            "300 rad/s² of the shaft at 3,000 turns a minute: from there on it is felt in the floor"
        ),
        new(
            MechanismKind.SwayBar,
            Unit.Degree,
            10,
            2,
            40,
            "further over the links pull as much along as they push up"
        ),
        new(
            MechanismKind.Headlights,
            Unit.Mm,
            12.7,
            2,
            200,
            "1/2 in on a wall at 25 ft: about what a full tank and a passenger do"
        ),
        new(
            MechanismKind.CornerScales,
            Unit.One,
            CrossWeight.EvenWithin,
            0.1,
            5,
            "half of a hundred: what a fuel tank and the scales themselves move it by"
        ),
        new(
            MechanismKind.Hoses,
            Unit.Mm,
            HosesMechanism.LeastMm,
            3,
            60,
            "what axle and frame take of a hose when they twist against each other",
            Least: true
        ),
        new(
            MechanismKind.Contacts,
            Unit.Mm,
            TyreContacts.KeepMm,
            3,
            60,
            "what tyre, bushes and frame give way by under load",
            Least: true
        ),
    ];

    /// <summary>The rule of a mechanism; null where its number has no limit.</summary>
    public static LimitRule? RuleOf(MechanismKind kind) =>
        Rules.FirstOrDefault(r => r.Kind == kind);

    /// <summary>Why a limit cannot be, in a fitter's words; null when it can.</summary>
    /// <param name="limit">The limit.</param>
    public static string? WhyNot(GeometryLimit limit) =>
        RuleOf(limit.Kind) is not { } rule ? "Of this nothing is limited."
        : !limit.Most.Unit.SameKind(rule.Unit) ? $"“{limit.Most.Unit}” is no unit for this."
        : limit.Most.In(rule.Unit) is var most && most >= rule.Low && most <= rule.High ? null
        : $"That lies between {Text(rule, rule.Low)} and {Text(rule, rule.High)}.";

    /// <summary>Most that the number of a mechanism may be on either side, in the unit of its rule.</summary>
    /// <exception cref="InvalidOperationException">It has no rule.</exception>
    public double Of(MechanismKind kind) => Mine(kind)?.Most.In(Rule(kind).Unit) ?? Rule(kind).Most;

    /// <summary>Whether that is an own limit.</summary>
    public bool IsOwn(MechanismKind kind) => Mine(kind) is not null;

    /// <summary>The limit as it is said: the number, and whether it is a rule of thumb.</summary>
    public string Said(MechanismKind kind) =>
        $"{Text(Rule(kind), Of(kind))}, {(IsOwn(kind) ? "our own limit" : "a rule of thumb")}";

    private GeometryLimit? Mine(MechanismKind kind) => Own.FirstOrDefault(l => l.Kind == kind);

    private static LimitRule Rule(MechanismKind kind) =>
        RuleOf(kind) ?? throw new InvalidOperationException($"{kind} has no rule.");

    private static string Text(LimitRule rule, double most) =>
        rule.Unit == Unit.Mm ? LengthText.Both(most)
        : rule.Unit == Unit.One ? string.Create(CultureInfo.InvariantCulture, $"{most:0.##} of 100")
        : most.ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
