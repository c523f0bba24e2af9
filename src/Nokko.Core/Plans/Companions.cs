using System.Globalization;
using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What a stack needs beside it.</summary>
/// <remarks>Source: docs/computation/companions.md#companions, docs/computation/lifts.md#laws, docs/computation/geometry.md#taped-geometry. The thresholds are rules of thumb.</remarks>
internal static partial class Companions
{
    /// <summary>What the lamps' companion begins with.</summary>
    public const string OfLamps = "Headlights";

    /// <summary>What a level sensor's companion begins with.</summary>
    public const string LevelSensor = "Level-sensor link";

    private const double SomeMm = 12;
    private const double MuchMm = 38;

    /// <summary>The companions of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="corners">The outlook of its corners.</param>
    /// <param name="body">Rise of the body over the floor at both axles, against today.</param>
    public static IReadOnlyList<Companion> Of(
        Plan plan,
        Vehicle vehicle,
        IReadOnlyList<CornerOutlook> corners,
        AxleRises body
    ) =>
        [
            .. new[] { Axle.Front, Axle.Rear }.SelectMany(axle =>
                OfAxle(
                    axle,
                    vehicle,
                    [
                        .. plan
                            .Stacks.Where(s => Corners.AxleOf(s.Corner) == axle)
                            .SelectMany(s => s.Parts),
                    ],
                    corners
                )
            ),
            .. (plan.Conversions ?? []).SelectMany(Converted),
            .. Body(plan),
            .. Lamps(vehicle, body),
        ];

    private static IEnumerable<Companion> OfAxle(
        Axle axle,
        Vehicle vehicle,
        PlacedPart[] parts,
        IReadOnlyList<CornerOutlook> all
    )
    {
        var suspension = vehicle.SuspensionOf(axle);
        var kind = suspension.Kind;
        CornerOutlook[] corners = [.. all.Where(c => Corners.AxleOf(c.Corner) == axle)];
        bool Has(PartKind wanted) => parts.Any(p => p.Kind == wanted);
        Companion Needs(
            string what,
            string why,
            bool placed,
            Consequence word = Consequence.Must
        ) => new(axle.Said(), what, why, placed) { Word = word };
        var lift = corners.Select(c => c.Rise.Value ?? 0).DefaultIfEmpty(0).Max();
        if (
            suspension.HeightControl is not null
            && parts.Any(p => PartRule.Of(p.Kind).Family.ThroughSprings())
        )
        {
            yield return Needs(
                $"{LevelSensor} of another length",
                "the controller holds the height that it knows: without another link it lets the lift out again",
                Has(PartKind.LevelSensorLink)
            );
        }
        // Pivots that come down alone lift nothing: what is missing is told all the same.
        if (
            !kind.IsLiveAxle()
            && parts.Any(p => p.Kind is PartKind.SubframeBlock or PartKind.DropBracket)
            && parts.All(p => PartRule.Of(p.Kind).Family != LiftFamily.Spring)
        )
        {
            yield return Needs(
                "Spring or strut spacers that match what is lowered",
                "pivots that come down without the springs spaced as far turn every arm and link",
                false
            );
        }
        if (parts.Length == 0 || lift < SomeMm)
        {
            // What comes with the parts themselves comes whatever they lift, and where nobody can say what they do.
            foreach (var companion in OfParts(axle, parts))
            {
                yield return companion;
            }
            yield break;
        }
        if (corners.Max(c => c.StopExtension.Value) is > 1 and var stop)
        {
            yield return Needs(
                $"Bump-stop extension, {LengthText.Both(Math.Ceiling(stop))}",
                "so that the stop meets before strut, coil or tyre does",
                Has(PartKind.BumpStopExtension)
            );
        }
        if (
            SwayBarMechanism.HasBar(suspension)
            && SwayBarMechanism.DownMm(
                lift,
                SwayBarMechanism.EndShare(suspension).Mean,
                parts,
                kind
            )
                is > 1
                    and var longer
        )
        {
            yield return Needs(
                $"Sway-bar links, about {LengthText.Both(longer)} longer",
                "they bring the bar back to its angle; connect both at ride height only",
                Has(PartKind.SwayBarLink),
                longer >= MuchMm ? Consequence.Must : Consequence.May
            );
        }
        if (kind.IsLiveAxle())
        {
            foreach (var companion in LiveAxle(axle, vehicle, lift, parts, all))
            {
                yield return companion;
            }
        }
        else
        {
            if (lift >= MuchMm)
            {
                // Shafts that were taped are there, and say by how much; of others nobody noted whether the axle is driven.
                var most =
                    suspension.Get(SuspensionSizes.CvRideLimit) ?? CvShaftMechanism.RideDegrees;
                yield return corners.Max(c => Math.Abs(c.CvRide.Value ?? 0)) is > 0 and var ride
                    ? Needs(
                        "Differential drop",
                        FormattableString.Invariant(
                            $"CV joints run at {ride:0.0}° at ride height, {(ride > most ? "more" : "no more")} than {most:0.#}°"
                        ),
                        Has(PartKind.DiffDrop),
                        ride > most ? Consequence.Check : Consequence.May
                    )
                    : Needs(
                        "Differential drop, if this axle is driven",
                        "CV joints run steeper by the lift; tape drop and run of a half-shaft, then it is told by how much",
                        Has(PartKind.DiffDrop),
                        Consequence.Check
                    );
            }
            yield return Needs(
                "Toe and camber at the alignment shop",
                "height moves both",
                false
            ) with
            {
                Work = true,
            };
        }
        foreach (var companion in OfParts(axle, parts))
        {
            yield return companion;
        }
        if (corners.Any(c => c.HoseSlack.Value is null && c.Droop.Value is not null))
        {
            yield return Needs(
                "Hose slack, taped at the old full droop",
                "nobody knows yet whether the brake hose reaches the new one",
                false,
                Consequence.Check
            );
        }
    }

    private static IEnumerable<Companion> LiveAxle(
        Axle axle,
        Vehicle vehicle,
        double lift,
        PlacedPart[] parts,
        IReadOnlyList<CornerOutlook> all
    )
    {
        var kind = vehicle.SuspensionOf(axle).Kind;
        bool Has(PartKind wanted) => parts.Any(p => p.Kind == wanted);
        if (!kind.IsLeaf())
        {
            yield return TrackBar(
                axle,
                vehicle.SuspensionOf(axle),
                MeanRise(all, axle),
                Has(PartKind.TrackBar) || Has(PartKind.TrackBarBracket)
            );
        }
        if (axle == Axle.Rear)
        {
            yield return new(
                axle.Said(),
                "Pinion angle against the shaft",
                "the rise tilts the shaft; a shim or a taper takes it back",
                Has(PartKind.AxleShim)
            );
        }
        else if (!kind.IsLeaf())
        {
            var turn = vehicle.Dimensions.Wheelbase is { } wheelbase
                ? TapedAxle.CasterRad(
                    vehicle.Front,
                    MeanRise(all, Axle.Front),
                    MeanRise(all, Axle.Rear),
                    wheelbase.In(Unit.Mm)
                )
                : null;
            yield return new(
                axle.Said(),
                turn is { } lost
                    ? string.Create(
                        CultureInfo.InvariantCulture,
                        $"Caster: {Math.Abs(double.RadiansToDegrees(lost)):0.0}° {(lost < 0 ? "less" : "more")}, to the ground"
                    )
                    : "Caster",
                "arms that point down more turn the axle; bushes, shims or brackets take it back",
                Has(PartKind.CasterBush) || Has(PartKind.LinkBracket)
            );
        }
        else if (Has(PartKind.Shackle))
        {
            yield return new(
                axle.Said(),
                "Caster",
                "a longer shackle turns the axle with the spring; tapered shims take it back",
                Has(PartKind.AxleShim)
            );
        }
        if (!kind.HasCoilOver() && lift >= MuchMm)
        {
            yield return new(
                axle.Said(),
                "Shocks that are longer",
                "the old ones end the droop where they did",
                Has(PartKind.Shock)
            )
            {
                Word = Consequence.May,
            };
        }
    }

    /// <summary>What a lift does to the track bar: in numbers where it was taped.</summary>
    private static Companion TrackBar(
        Axle axle,
        Vehicles.Suspension suspension,
        double lift,
        bool placed
    )
    {
        // On a steered axle a bar that is moved alone steers with every bump, and a longer one turns the wheels at rest.
        var (also, care) =
            axle == Axle.Front
                ? (
                    ", the drag link's by as much",
                    "; the drag link is centred again before it is driven"
                )
                : ("", "");
        return TapedAxle.TrackBarOf(suspension)?.Lifted(lift) is { } bar
            ? new(
                axle.Said(),
                $"Track bar {LengthText.Both(bar.CentringBarMm - bar.BarMm)} longer, or one end relocated by {LengthText.Both(lift)}{also}",
                $"else the axle sits {LengthText.Both(bar.ShiftMm)} toward the bar's end at the body, and the gaps beside its tyres differ by {LengthText.Both(2 * bar.ShiftMm)}: the check{care}",
                placed
            )
            {
                Word =
                    Math.Abs(bar.ShiftMm) > Target.UsualToleranceMm
                        ? Consequence.Must
                        : Consequence.May,
            }
            : new(
                axle.Said(),
                axle == Axle.Front
                    ? "Track bar: longer, or its pivot relocated and the drag link's by as much"
                    : "Track bar: longer, or its pivot relocated",
                $"the axle goes sideways along the bar's arc: tape the bar's run and drop, and it is told how far{care}",
                placed
            );
    }

    private static double MeanRise(IReadOnlyList<CornerOutlook> corners, Axle axle) =>
        corners
            .Where(c => Corners.AxleOf(c.Corner) == axle)
            .Select(c => c.Rise.Value ?? 0)
            .DefaultIfEmpty(0)
            .Average();

    /// <summary>What the body's angle does to the headlights on a wall.</summary>
    private static IEnumerable<Companion> Lamps(Vehicle vehicle, AxleRises body)
    {
        if (
            vehicle.Dimensions.Wheelbase is { } wheelbase
            && Headlights.Of(body.Front.Mean, body.Rear.Mean, wheelbase.In(Unit.Mm)).TiltMm
                is var tilt
            && Math.Abs(tilt) >= SomeMm
        )
        {
            yield return new(
                "vehicle",
                $"{OfLamps}, {(tilt > 0 ? "down" : "up")} by {LengthText.Both(Math.Abs(tilt))} on a wall at 25 ft (7.6 m)",
                "the body's angle tilts them; only that is turned at the screw, against a mark made before the work",
                false
            )
            {
                Word = Consequence.Must,
                Work = true,
            };
        }
    }

    private static IEnumerable<Companion> OfParts(Axle axle, PlacedPart[] parts)
    {
        foreach (
            var plate in parts.Where(p => p.Kind == PartKind.StrutTopSpacer).DistinctBy(p => p.Name)
        )
        {
            if (plate.Get(PartSizes.Recess) is null)
            {
                yield return new(
                    axle.Said(),
                    $"Room for the strut's studs in {plate.Name}",
                    "studs that stand higher than its recess must be cut, or another plate chosen",
                    false
                );
            }
            yield return new(
                axle.Said(),
                "New top nuts; threads past each nut",
                plate.Extension is { } e
                    ? $"its studs give {LengthText.Both(e.In(Unit.Mm))}"
                    : "count the threads before it goes together",
                false
            )
            {
                Word = Consequence.Must,
            };
        }
        if (parts.Any(p => p.Kind is PartKind.Block or PartKind.LeafPack))
        {
            var block = parts
                .Where(p => p.Kind == PartKind.Block)
                .Max(p => p.Thickness?.In(Unit.Mm));
            var pack = parts.FirstOrDefault(p => p.Kind == PartKind.LeafPack && p.Leaves.Count > 0);
            yield return new(
                axle.Said(),
                pack is null
                    ? "New U-bolts, longer by the block"
                    : $"New U-bolts, at least {LengthText.Both(LeafPackBuild.UBoltMm(LeafPackBuild.Of(pack).ThicknessMm, block ?? 0))} inside from the axle's crown",
                block is { } mm
                    ? $"they are never used again; {LengthText.Both(mm)} go between leaf and axle"
                    : "they are never used again",
                false
            )
            {
                Word = Consequence.Must,
            };
        }
    }
}
