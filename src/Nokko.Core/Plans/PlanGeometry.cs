using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>What a plan does to one mechanism, in a line.</summary>
/// <param name="Kind">Which mechanism.</param>
/// <param name="Where">front, rear or vehicle.</param>
/// <param name="Says">How it stands and what brings it back.</param>
/// <param name="Beyond">Whether it is beyond its limit, with what the plan has for it.</param>
public sealed record MovedLine(MechanismKind Kind, string Where, string Says, bool Beyond)
{
    /// <summary>The lines of a plan.</summary>
    public static IReadOnlyList<MovedLine> Of(PlanGeometry geometry) =>
        [.. geometry.Mechanisms.Select(m => new MovedLine(m.Kind, m.Where, m.Says, m.Beyond))];
}

/// <summary>What a plan moves besides the height, and what takes it back.</summary>
/// <remarks>Source: docs/computation/geometry.md.</remarks>
public sealed record PlanGeometry
{
    /// <summary>The plan.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Rise of the frame over the front axle's middle, against nothing added, mm.</summary>
    public required Result FrontRise { get; init; }

    /// <summary>The same over the rear axle.</summary>
    public required Result RearRise { get; init; }

    /// <summary>Rise of the headlights themselves over the floor, against today, mm.</summary>
    public required Result LampRise { get; init; }

    /// <summary>What moves, front axle first.</summary>
    public required IReadOnlyList<Mechanism> Mechanisms { get; init; }

    /// <summary>Kinds of part of which the nearest at hand is taken for a cure.</summary>
    public static IReadOnlyList<PartKind> FromShelf { get; } =
    [
        PartKind.TrackBarBracket,
        PartKind.DiffDrop,
        PartKind.SwayBarLink,
        PartKind.BrakeHoseBracket,
        PartKind.LinkBracket,
        PartKind.WheelSpacer,
        PartKind.Tyre,
    ];

    /// <summary>The geometry of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="situation">The vehicle as it stands.</param>
    /// <param name="shelf">Parts at hand.</param>
    /// <param name="travel">Whether to work out every place of the travel.</param>
    /// <param name="higher">The axle over which the frame stands higher than foretold, by a millimetre; null is as foretold.</param>
    public static PlanGeometry Of(
        Plan plan,
        Situation situation,
        IReadOnlyList<Part>? shelf = null,
        bool travel = false,
        Axle? higher = null
    )
    {
        var (lifted, why) = LiftedVehicle.Of(plan, situation);
        if (higher is { } over)
        {
            lifted = lifted is null ? null : lifted with { Frame = lifted.Frame.Higher(over, 1) };
        }
        if (lifted is null)
        {
            return new PlanGeometry
            {
                PlanId = plan.Id,
                FrontRise = Result.No(Unit.Mm, why!),
                RearRise = Result.No(Unit.Mm, why!),
                LampRise = Result.No(Unit.Mm, why!),
                Mechanisms = [],
            };
        }
        situation = situation.Converted(plan);
        var vehicle = situation.Vehicle;
        var wheelbase = vehicle.Dimensions.Wheelbase!.In(Unit.Mm);
        return new PlanGeometry
        {
            PlanId = plan.Id,
            FrontRise = Of(lifted.Frame.Front),
            RearRise = Of(lifted.Frame.Rear),
            LampRise = HeadlightMechanism.LampRise(lifted.BodyOverFloor, wheelbase),
            Mechanisms =
            [
                .. Corners
                    .Axles.SelectMany(axle => OfAxle(Lifted(axle)).Select(m => SetUp(axle, m)))
                    .Append(
                        HeadlightMechanism.Of(lifted.BodyOverFloor, wheelbase, situation.Limits)
                    )
                    .Concat(OfVehicle(situation, lifted))
                    .Select(m => m.HeldAgainst(situation.Limits)),
            ],
        };

        static Result Of(Estimate rise) => Result.Of(rise.Mean, Unit.Mm, rise.Sd, []);

        // A suspension that comes never stood as it was: what moves on it counts from its set-up.
        Mechanism SetUp(Axle axle, Mechanism m) =>
            plan.Of(axle) is null
                ? m
                : m with
                {
                    Ways =
                    [
                        .. m.Ways.Select(w =>
                            w.Kind == WayKind.Before ? w with { Said = "As it is set up" } : w
                        ),
                    ],
                };

        LiftedAxle Lifted(Axle axle)
        {
            CornerOutlook[] corners =
            [
                .. lifted.Corners.Where(c => Corners.AxleOf(c.Corner) == axle),
            ];
            // The axle goes as far as the side that ends first.
            double? Least(Func<CornerOutlook, Result> of) =>
                corners.All(c => of(c).Value is not null) ? corners.Min(c => of(c).Value) : null;
            return new LiftedAxle
            {
                Axle = axle,
                Suspension = vehicle.SuspensionOf(axle),
                Rises = lifted.Frame,
                WheelbaseMm = wheelbase,
                TrackMm = (
                    axle == Axle.Front
                        ? vehicle.Dimensions.FrontTrack
                        : vehicle.Dimensions.RearTrack
                )!.In(Unit.Mm),
                Sides = [.. Corners.Of(axle).Select(c => CornerStack.At(plan.Stacks, c))],
                Shelf =
                [
                    .. (shelf ?? []).Where(p =>
                        PartFit
                            .Of(
                                PlacedPart.Of(p, p.Id),
                                situation.Platform,
                                new FitPlace(vehicle, axle)
                            )
                            .State != FitState.DoesNot
                    ),
                ],
                Limits = situation.Limits,
                BumpMm = Least(c => c.Bump),
                DroopMm = Least(c => c.Droop),
                GainedDroopMm = corners.All(c =>
                    c is { Droop.Value: not null, StandardDroop.Value: not null }
                )
                    ? corners.Max(c =>
                        Math.Max(
                            0,
                            c.Droop.Have().Mean + c.Rise.Have().Mean - c.StandardDroop.Have().Mean
                        )
                    )
                    : null,
                Tyre = TyreSize.Parse(vehicle.TyreSize),
                AboveTyreBefore = (
                    vehicle.SuspensionOf(axle).Get(SuspensionSizes.TyreGap) is { } gap
                        ? Result.Of(gap, Unit.Mm, AxleSizes.JointUMm, [])
                        : Result.No(Unit.Mm, CornerOutlook.TapeAbove),
                    Lowest(c => c.StandardAboveTyreAtBump)
                ),
                Sheets = axle == Axle.Front && plan.Of(axle) is null ? SheetsOf(situation) : [],
                AboveTyre = (Lowest(c => c.AboveTyre), Lowest(c => c.AboveTyreAtBump)),
                Travel = travel,
            };

            Result Lowest(Func<CornerOutlook, Result> of) =>
                corners.Select(of).MinBy(r => r.Value ?? double.NegativeInfinity)!;
        }
    }

    /// <summary>What was read of the front wheels' angles with nothing added; parts that stand there already have moved them.</summary>
    private static IReadOnlyList<AlignmentSheet> SheetsOf(Situation situation)
    {
        if (
            situation.Baseline is not { } stance
            || situation.From.Stacks.Any(s => s.Parts.Count > 0)
        )
        {
            return [];
        }
        Estimate? Read(Corner corner, params ReadOnlySpan<string> measures)
        {
            foreach (var measure in measures)
            {
                var row = stance.Measures.FirstOrDefault(m =>
                    m.Measure == measure && m.Place == corner.Name()
                );
                if (row?.Value is { Value: { } value, U: { } u })
                {
                    return new Estimate(value, u);
                }
            }
            return null;
        }
        return
        [
            .. Corners
                .Of(Axle.Front)
                .Select(c => new AlignmentSheet(
                    c,
                    Read(c, Measures.CamberSet, Measures.CamberAngle, MeasureValues.CamberBySquare),
                    Read(c, Measures.CasterSet, Measures.Caster)
                ))
                .Where(s => s.Camber is not null || s.Caster is not null),
        ];
    }

    private static IEnumerable<Mechanism> OfVehicle(Situation situation, LiftedVehicle lifted) =>
        new[]
        {
            AxleLoadsMechanism.Of(
                situation.Vehicle.Dimensions,
                [
                    .. situation.Loads.Select(l => new CarriedLoad(
                        l.Name,
                        AxleLoadsMechanism.Weighed(l.Mass),
                        l.Behind.In(Unit.Mm),
                        l.Stays
                    )),
                ]
            ),
            CornerScalesMechanism.Of(lifted.Diagonals),
            SideSlopeMechanism.Of(situation.Vehicle, lifted.CgRise),
        }.OfType<Mechanism>();

    private static IEnumerable<Mechanism> OfAxle(LiftedAxle axle)
    {
        var turn = TurnMechanism.Of(axle);
        return new[]
        {
            TrackBarMechanism.Of(axle),
            SteeringMechanism.Of(axle),
            turn,
            PropshaftMechanism.Of(
                axle,
                PinionUp(axle, turn, WayKind.Lifted),
                PinionUp(axle, turn, WayKind.Planned)
            ),
            ArmsMechanism.Of(axle),
            AlignmentMechanism.Of(axle),
            CvShaftMechanism.Of(axle),
            SwayBarMechanism.Of(axle),
            HosesMechanism.Of(axle),
            ContactsMechanism.Of(axle),
        }.OfType<Mechanism>();
    }

    /// <summary>How far arms or links turn the pinion up, rad; what caster loses in front turns that pinion up. Leaf springs hold it as they hold the axle.</summary>
    private static double? PinionUp(LiftedAxle axle, Mechanism? turn, WayKind way) =>
        turn?.Ways.FirstOrDefault(w => w.Kind == way)?.Figure
            is { Value: { } degrees, Known: not Known.Archetype }
            ? (axle.Axle == Axle.Front ? -1 : 1) * degrees * Math.PI / 180
            : null;
}
