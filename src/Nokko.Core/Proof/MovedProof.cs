using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Proof;

/// <summary>What a plan moved at one mechanism: foretold before the work, and measured before and after.</summary>
/// <remarks>Source: docs/computation/proof.md#geometry. Evidence learns nothing from it.</remarks>
/// <param name="Kind">Which mechanism.</param>
/// <param name="Where">front, rear or vehicle.</param>
/// <param name="Foretold">The change as it was foretold, mm or °.</param>
/// <param name="Measured">The change as it was measured; cannot be told where it was not read before and after.</param>
/// <param name="AsForetold">Whether both agree within their ±; null where it cannot be told.</param>
public sealed record MovedProof(
    MechanismKind Kind,
    string Where,
    Result Foretold,
    Result Measured,
    bool? AsForetold
)
{
    private const string NotRead = "Not read before and after.";

    /// <summary>The proof of everything that a plan was foretold to move.</summary>
    /// <param name="frozen">What was foretold.</param>
    /// <param name="vehicle">The vehicle as it was planned.</param>
    /// <param name="before">Walk-rounds of the stage before, in the order of time.</param>
    /// <param name="after">Walk-rounds of the stage after.</param>
    /// <param name="converted">Axles that got another suspension: what moved on them was foretold from the height at which its sizes were taken, and has no before.</param>
    /// <param name="wallMm">From the lamps to the wall on which they were marked, mm; null where nobody said.</param>
    public static IReadOnlyList<MovedProof> Of(
        Prediction frozen,
        Vehicle vehicle,
        IReadOnlyList<WalkRoundStance> before,
        IReadOnlyList<WalkRoundStance> after,
        IReadOnlyList<Axle> converted,
        double? wallMm
    )
    {
        return
        [
            .. (frozen.Moves ?? [])
                .Where(m => converted.All(a => a.Said() != m.Where))
                .Select(One)
                .OfType<MovedProof>(),
        ];

        MovedProof? One(ForetoldMove move)
        {
            var axle = move.Where == Axle.Front.Said() ? Axle.Front : Axle.Rear;
            var corners = Corners.Of(axle);
            var (left, right) = (corners[0].Name(), corners[1].Name());
            return move.Kind switch
            {
                MechanismKind.TrackBar => Judged(
                    move,
                    vehicle.SuspensionOf(axle).BarBodyEnd is { } side
                        ? Change(
                            Unit.Mm,
                            Measures.Overhang,
                            (left, side == Side.Left ? 0.5 : -0.5),
                            (right, side == Side.Left ? -0.5 : 0.5)
                        )
                        : Result.No(Unit.Mm, "Say on which side the bar meets the body.")
                ),
                MechanismKind.Caster => Judged(
                    move,
                    Change(Unit.Degree, Measures.Caster, (left, 0.5), (right, 0.5))
                ),
                MechanismKind.Pinion => Judged(
                    move,
                    Change(Unit.Degree, Measures.PinionAngle, (move.Where, 1))
                ),
                MechanismKind.Propshaft => Judged(
                    move,
                    (Joint(before, move.Where), Joint(after, move.Where)) is ({ } was, { } now)
                        ? Result.Sum(Unit.Degree, [(1, now), (-1, was)], Known.Measured)
                        : Result.No(Unit.Degree, NotRead)
                ),
                MechanismKind.SwayBar => Judged(
                    move,
                    Change(Unit.Degree, Measures.BarArmSlope, (move.Where, 1))
                ),
                // The rack's camber where it was read both times, else the square's.
                MechanismKind.Arms => Judged(
                    move,
                    Change(Unit.Degree, Measures.CamberAngle, (left, 0.5), (right, 0.5))
                        is { Value: not null } byRack
                        ? byRack
                        : Change(
                            Unit.Degree,
                            MeasureValues.CamberBySquare,
                            (left, 0.5),
                            (right, 0.5)
                        )
                ),
                MechanismKind.Hoses when OnlyHose(vehicle.SuspensionOf(axle)) => Judged(
                    move,
                    Least(Measures.HoseSlack, left, right)
                ),
                MechanismKind.Contacts when axle == Axle.Front => Judged(
                    move,
                    Least(Measures.FenderAtLock, left, right)
                ),
                MechanismKind.Steering => Judged(
                    move,
                    Change(Unit.Degree, Measures.DragLinkSlope, (move.Where, 1))
                ),
                MechanismKind.CvShaft => Judged(
                    move,
                    Change(Unit.Degree, Measures.HalfShaftSlope, (left, 0.5), (right, 0.5))
                ),
                MechanismKind.CornerScales => Judged(
                    move,
                    Change(Unit.One, MeasureValues.CrossWeight, ("vehicle", 1))
                ),
                MechanismKind.Headlights => Lamps(move),
                _ => null,
            };
        }

        // What is foretold is the least of all lines: the hose's own where no other was taped.
        static bool OnlyHose(Vehicles.Suspension suspension) =>
            new[]
            {
                SuspensionSizes.LeadSlack,
                SuspensionSizes.BreatherSlack,
                SuspensionSizes.CableSlack,
                SuspensionSizes.RodSlack,
            }.All(size => suspension.Get(size) is null);

        // The joint's angle has no side: shaft against pinion, whichever is steeper.
        static Result? Joint(IReadOnlyList<WalkRoundStance> rounds, string where) =>
            Last(rounds, Measures.ShaftAngle, where) is { Value: { } shaft } ofShaft
            && Last(rounds, Measures.PinionAngle, where) is { Value: { } pinion } ofPinion
            && (shaft >= pinion ? 1 : -1) is var side
                ? Result.Sum(Unit.Degree, [(side, ofShaft), (-side, ofPinion)], Known.Measured)
                : null;

        // The side on which less is left decides, before and after.
        Result Least(string measure, string left, string right)
        {
            Result? Shorter(IReadOnlyList<WalkRoundStance> rounds) =>
                new[] { left, right }
                    .Select(place => Last(rounds, measure, place))
                    .OfType<Result>()
                    .MinBy(r => r.Value);
            return (Shorter(before), Shorter(after)) is ({ } was, { } now)
                ? Result.Sum(Unit.Mm, [(1, now), (-1, was)], Known.Measured)
                : Result.No(Unit.Mm, NotRead);
        }

        // The mark climbs with the lamp itself and by its tilt over the distance.
        MovedProof Lamps(ForetoldMove move)
        {
            var share = (wallMm ?? Headlights.UsualWallMm) / Headlights.UsualWallMm;
            var climb = (move.LampRise, move.Change)
                is ({ Value: { } rise, U: { } ofRise }, { Value: { } tilt, U: { } ofTilt })
                // Both rest on the same rises.
                ? Result.Of(
                    rise + (tilt * share),
                    Unit.Mm,
                    ofRise + (ofTilt * share),
                    move.Change.RestsOn
                )
                : move.Change;
            return Judged(
                move with
                {
                    Change = climb,
                },
                Change(Unit.Mm, Measures.LampCutOff, ("left lamp", 0.5), ("right lamp", 0.5))
            );
        }

        Result Change(
            Unit unit,
            string measure,
            params ReadOnlySpan<(string Place, double Factor)> of
        )
        {
            var terms = new List<(double, Result)>();
            foreach (var (place, factor) in of)
            {
                if (
                    Last(before, measure, place) is not { } was
                    || Last(after, measure, place) is not { } now
                )
                {
                    return Result.No(unit, NotRead);
                }
                terms.Add((factor, now));
                terms.Add((-factor, was));
            }
            return Result.Sum(unit, terms, Known.Measured);
        }
    }

    private static MovedProof Judged(ForetoldMove move, Result measured) =>
        new(
            move.Kind,
            move.Where,
            move.Change,
            measured,
            (move.Change, measured)
                is (
                    { Value: { } f, U: { } uf, Known: not Known.Archetype },
                    { Value: { } m, U: { } um }
                )
                ? Math.Abs(m - f) <= 2 * double.Hypot(uf, um)
                : null
        );

    private static Result? Last(
        IReadOnlyList<WalkRoundStance> rounds,
        string measure,
        string place
    ) =>
        rounds
            .SelectMany(r => r.Measures)
            .LastOrDefault(m => m.Measure == measure && m.Place == place)
            ?.Value;
}
