using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What is left of brake hose, sensor lead, breather, park-brake cable and rods once the wheel hangs lower than it did.</summary>
/// <remarks>Source: docs/computation/geometry.md#hoses-and-leads.</remarks>
internal static class HosesMechanism
{
    /// <summary>Least slack that a hose keeps, mm: a rule of thumb.</summary>
    public const double LeastMm = AxleState.UsualHoseMm;

    /// <summary>Standard uncertainty of a slack that was taped with the wheel hanging, mm: a rule of thumb.</summary>
    public const double SlackUMm = 4;

    /// <summary>Why a hose that comes cannot be told.</summary>
    public const string NoLength = "How much longer the new hose is was not entered.";

    private static readonly (string Size, string Said)[] Lines =
    [
        (SuspensionSizes.HoseSlack, "brake hose"),
        (SuspensionSizes.LeadSlack, "sensor lead"),
        (SuspensionSizes.BreatherSlack, "axle breather"),
        (SuspensionSizes.CableSlack, "park-brake cable"),
        (SuspensionSizes.RodSlack, "rod of the level sensor or load valve"),
    ];

    /// <summary>By how much the parts of a plan let a brake hose reach further, mm; null where a new hose has no length.</summary>
    /// <param name="parts">The parts.</param>
    public static double? ReachMm(IEnumerable<PlacedPart> parts)
    {
        double reach = 0;
        foreach (
            var of in parts
                .Where(p => p.Kind is PartKind.BrakeHose or PartKind.BrakeHoseBracket)
                .GroupBy(p => p.Kind)
        )
        {
            if (of.Any(p => p.Thickness is null))
            {
                return null;
            }
            reach += of.Max(p => p.Thickness!.In(Unit.Mm));
        }
        return reach;
    }

    /// <summary>Whether its wheels hang lower than they did, or may.</summary>
    private static bool HangsLower(LiftedAxle axle) =>
        axle.GainedDroopMm is { } mm ? mm > 0 : axle.Lifts;

    /// <summary>The mechanism.</summary>
    public static Mechanism Of(LiftedAxle axle)
    {
        (string Said, double Mm)[] taped =
        [
            .. Lines
                .Where(l => axle.Suspension.Get(l.Size) is not null)
                .Select(l => (l.Said, axle.Suspension.Get(l.Size)!.Value)),
        ];
        // A bracket on one side leaves the other as it was.
        double?[] reaches = [.. axle.Sides.Select(ReachMm)];
        var reach = reaches.Any(r => r is null) ? null : reaches.Min();
        var helped = axle.Has(PartKind.BrakeHose) || axle.Has(PartKind.BrakeHoseBracket);
        var hose = axle.Suspension.Get(SuspensionSizes.HoseSlack);
        var leastMm = axle.Limits.Of(MechanismKind.Hoses);
        var missing =
            hose is { } slack && axle.GainedDroopMm is { } gain
                ? leastMm - (slack - gain)
                : (double?)null;
        var part = axle.Enough(PartKind.BrakeHoseBracket, Math.Ceiling(missing ?? 0));
        MechanismWay Way(WayKind kind, string said, double? gained, double further, PartKind? by) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = by,
                Figure = Told(Least(gained, further)?.Mm),
                Also =
                [
                    .. taped.Select(t => new LabelledResult(
                        $"Left of the {t.Said}",
                        Told(gained is { } g ? Left(t, g, further) : null)
                    )),
                ],
                Care = Least(gained, further) is { Mm: < 0, Said: var pulled }
                    ? new Caution(
                        Heed.Stop,
                        $"The {pulled} is pulled before the wheel hangs: nothing is let down until it reaches."
                    )
                    : null,
            };
        MechanismWay[] ways =
        [
            Way(WayKind.Before, "As it was", 0, 0, null),
            .. axle.GainedDroopMm is > 0
                ? (MechanismWay[])
                    [Way(WayKind.Lifted, "Lifted, all left", axle.GainedDroopMm, 0, null)]
                : [],
            .. helped
                ? (MechanismWay[])
                    [
                        reach is { } r
                            ? Way(
                                WayKind.Planned,
                                r > 0
                                    ? $"As planned: the brake hose reaches {LengthText.Both(r)} further"
                                    : "As planned: further on one side only",
                                axle.GainedDroopMm,
                                r,
                                PartKind.BrakeHoseBracket
                            )
                            : Way(
                                WayKind.Planned,
                                "As planned: another brake hose",
                                null,
                                0,
                                PartKind.BrakeHose
                            ),
                    ]
                : [],
            .. missing > 0 && !helped
                ? (MechanismWay[])
                    [
                        Way(
                            WayKind.Cure,
                            $"{part.Name ?? "Bracket or longer hose"}: reaches {LengthText.Both(part.Mm)} further",
                            axle.GainedDroopMm,
                            part.Mm,
                            PartKind.BrakeHoseBracket
                        ),
                    ]
                : [],
        ];
        var stands = ways.LastOrDefault(w => w.Kind != WayKind.Cure)!;
        return new Mechanism
        {
            Kind = MechanismKind.Hoses,
            Where = axle.Axle.Said(),
            FigureLabel = "Slack that is left at full droop",
            Says = Says(),
            Ways = ways,
            Judged = stands is { Kind: not WayKind.Before, Figure.Value: { } rest }
                ? rest < leastMm
                : null,
            Asks =
            [
                .. Lines
                    .Where(l =>
                        HangsLower(axle)
                        && axle.Suspension.Get(l.Size) is null
                        // Not every axle has one: a rod is looked for, a cable is behind.
                        && l.Size != SuspensionSizes.RodSlack
                        && (l.Size != SuspensionSizes.CableSlack || axle.Axle == Axle.Rear)
                        && SuspensionSizes.Of(axle.Suspension.Kind).Any(s => s.Name == l.Size)
                    )
                    .Select(l => new AskedSize(l.Size, null, null)),
            ],
            Checks =
            [
                $"At full droop{(axle.Axle == Axle.Front ? " and both locks" : "")}, by hand and eye: nothing pulls, rubs or twists, no lead stands between plug and clip.",
                .. axle.Suspension.Get(SuspensionSizes.RodSlack) is null
                    ? (string[])
                        [
                            "A level sensor or a load valve on this axle goes down with it: tape the room of its rod too, under its sizes.",
                        ]
                    : [],
            ],
        };

        (string Said, double Mm)? Least(double? gained, double further) =>
            gained is { } g && taped.Length > 0
                ? taped.Select(t => (t.Said, Mm: Left(t, g, further))).MinBy(t => t.Mm)
                : null;

        static double Left((string Said, double Mm) line, double gained, double further) =>
            line.Mm - gained + (line.Said == Lines[0].Said ? further : 0);

        Result Told(double? mm) =>
            mm is { } value
                ? Result.Of(value, Unit.Mm, SlackUMm, [])
                : Result.No(
                    Unit.Mm,
                    taped.Length == 0
                            ? $"Tape the slack at the old full droop{(axle.Axle == Axle.Front ? ", both locks" : "")}."
                        : helped && reach is null ? NoLength
                        : "How far it will droop is not known."
                );

        string Says()
        {
            if (!HangsLower(axle))
            {
                return "It hangs no lower than it did: hose and leads keep their slack.";
            }
            if (taped.Length == 0)
            {
                return "Tape what goes down with the wheel at the old full droop: then what is left of it is told.";
            }
            if (axle.GainedDroopMm is not { } gained)
            {
                return "How far it will droop is not known: enter the lengths of strut or shock.";
            }
            var lower = $"It hangs {LengthText.Both(gained)} lower";
            if (stands.Figure.Value is not { } rest)
            {
                return $"{lower}: {stands.Figure.Cannot}";
            }
            var least = Least(gained, stands.Kind == WayKind.Planned ? reach ?? 0 : 0)!.Value;
            return rest < 0
                    ? $"{lower}: the {least.Said} is short by {LengthText.Both(-rest)}, and {axle.Limits.Said(MechanismKind.Hoses)}, must be left."
                : rest < leastMm
                    ? $"{lower}: {LengthText.Both(rest)} of the {least.Said} are left, {axle.Limits.Said(MechanismKind.Hoses)}, must be."
                : $"{lower}: {LengthText.Both(rest)} of the {least.Said} are left, the least of what was taped.";
        }
    }
}
