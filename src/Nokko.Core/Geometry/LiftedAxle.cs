using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>Rises over both axles, which share errors.</summary>
/// <param name="Front">Over the front axle's middle, mm.</param>
/// <param name="Rear">Over the rear axle's middle, mm.</param>
/// <param name="Covariance">Their covariance, mm².</param>
public sealed record AxleRises(Estimate Front, Estimate Rear, double Covariance)
{
    /// <summary>The rise over one of them.</summary>
    public Estimate Of(Axle axle) => axle == Axle.Front ? Front : Rear;

    /// <summary>The same with the frame higher over one axle, mm.</summary>
    public AxleRises Higher(Axle axle, double mm) =>
        axle == Axle.Front
            ? this with
            {
                Front = Front with { Mean = Front.Mean + mm },
            }
            : this with
            {
                Rear = Rear with { Mean = Rear.Mean + mm },
            };
}

/// <summary>An axle as a plan leaves it.</summary>
public sealed record LiftedAxle
{
    /// <summary>Travel that is drawn where nobody knows it, mm: a rule of thumb.</summary>
    private const double UsualTravelMm = 80;

    /// <summary>Places of the travel that are worked out.</summary>
    public const int Places = 61;

    /// <summary>front or rear.</summary>
    public required Axle Axle { get; init; }

    /// <summary>Its suspension, as it is without added parts.</summary>
    public required Vehicles.Suspension Suspension { get; init; }

    /// <summary>Rise of the frame over both axles' middles against nothing added.</summary>
    public required AxleRises Rises { get; init; }

    /// <summary>Wheelbase, mm.</summary>
    public required double WheelbaseMm { get; init; }

    /// <summary>Track, mm.</summary>
    public required double TrackMm { get; init; }

    /// <summary>What the plan has at it.</summary>
    public IReadOnlyList<PlacedPart> Parts => [.. Sides.SelectMany(s => s)];

    /// <summary>The same, left and right apart: what comes one a side must be on both.</summary>
    public IReadOnlyList<IReadOnlyList<PlacedPart>> Sides { get; init; } = [];

    /// <summary>Parts at hand.</summary>
    public IReadOnlyList<Part> Shelf { get; init; } = [];

    /// <summary>Travel up that is left, mm; null is not known.</summary>
    public double? BumpMm { get; init; }

    /// <summary>Travel down that is left, mm; null is not known.</summary>
    public double? DroopMm { get; init; }

    /// <summary>How much lower its wheels hang than they did, on the side where it is more, mm; null is not known.</summary>
    public double? GainedDroopMm { get; init; }

    /// <summary>Size of the tyres that are on; null is not known.</summary>
    public TyreSize? Tyre { get; init; }

    /// <summary>Left above its tyres as it was, on its wheels and at full bump, on the side where it is less.</summary>
    public (Result Ride, Result Bump)? AboveTyreBefore { get; init; }

    /// <summary>The same as the plan leaves it.</summary>
    public (Result Ride, Result Bump)? AboveTyre { get; init; }

    /// <summary>What was read of its front wheels' angles before the work; empty where nothing was, or parts stood there already.</summary>
    internal IReadOnlyList<AlignmentSheet> Sheets { get; init; } = [];

    /// <summary>By how much brackets or blocks lower the pivots of its arms, mm: by so much they turn the less.</summary>
    public double PivotsLoweredMm =>
        (Amount(PartKind.DropBracket) ?? 0) + (Amount(PartKind.SubframeBlock) ?? 0);

    /// <summary>How much of what moves is left alone.</summary>
    public GeometryLimits Limits { get; init; } = GeometryLimits.Usual;

    /// <summary>Whether it rises at all: half a millimetre is none.</summary>
    public bool Lifts => Math.Abs(Rise.Mean) > 0.5;

    /// <summary>Whether to work out every place of the travel.</summary>
    public bool Travel { get; init; }

    /// <summary>δ: rise of the frame over this axle, mm.</summary>
    public Estimate Rise => Rises.Of(Axle);

    /// <summary>Travel up that is drawn, mm.</summary>
    public double DrawnBumpMm => Math.Max(10, BumpMm ?? UsualTravelMm);

    /// <summary>Travel down that is drawn, mm.</summary>
    public double DrawnDroopMm => Math.Max(10, DroopMm ?? UsualTravelMm);

    /// <summary>Whether the plan has a part of a kind here.</summary>
    public bool Has(PartKind kind) => Parts.Any(p => p.Kind == kind);

    /// <summary>The greatest amount of a kind that the plan has here, mm; null where it has none, or nobody knows.</summary>
    public double? Amount(PartKind kind) =>
        Parts.Where(p => p.Kind == kind).Max(p => p.Thickness?.In(Unit.Mm));

    /// <summary>Whether the plan changes where a wheel or its tyre stands, or how far it turns.</summary>
    public bool HasOtherWheels =>
        Has(PartKind.Tyre) || Has(PartKind.WheelSpacer) || Has(PartKind.SteeringStops);

    /// <summary>By how much less its wheels turn with the stops that the plan sets, °.</summary>
    public double StopsEarlier =>
        Parts.Select(p => p.Get(PartSizes.StopsEarlier) ?? 0).DefaultIfEmpty(0).Max();

    /// <summary>The amount nearest to a wanted one among the parts at hand of a kind, mm, with the part's name; the wanted one itself where none is at hand.</summary>
    public (double Mm, string? Name) Nearest(PartKind kind, double wantedMm) =>
        AtHand(kind)
            .OrderBy(p => Math.Abs(p.Mm - wantedMm))
            .ThenBy(p => p.Name, StringComparer.Ordinal)
            .FirstOrDefault((wantedMm, null));

    /// <summary>The least amount that is enough among the parts at hand of a kind, mm, with the part's name; what is wanted itself where none is enough.</summary>
    public (double Mm, string? Name) Enough(PartKind kind, double wantedMm) =>
        AtHand(kind)
            .Where(p => p.Mm >= wantedMm)
            .OrderBy(p => p.Mm)
            .ThenBy(p => p.Name, StringComparer.Ordinal)
            .FirstOrDefault((wantedMm, null));

    private IEnumerable<(double Mm, string? Name)> AtHand(PartKind kind) =>
        Shelf
            .Where(p => p.Kind == kind && p.Count > 0 && p.Thickness is not null)
            .Select(p => (Mm: p.Thickness!.In(Unit.Mm), Name: (string?)p.Name));

    /// <summary>A mechanism through the travel, ride height among its places; null where nobody asked, or it reaches none.</summary>
    /// <param name="figure">The number that matters with the wheel up by so many mm; null where it cannot reach.</param>
    /// <param name="rods">What to draw there; null where it cannot reach.</param>
    internal MechanismTravel? Through(Func<double, double?> figure, Func<double, Rod[]?> rods)
    {
        if (!Travel)
        {
            return null;
        }
        var (down, up) = (DrawnDroopMm, DrawnBumpMm);
        var below = (int)Math.Clamp(Math.Round((Places - 1) * down / (down + up)), 1, Places - 2);
        var reached = Enumerable
            .Range(-below, Places)
            .Select(i => i < 0 ? down * i / below : up * i / (Places - 1 - below))
            .Select(mm => (Up: mm, Figure: figure(mm), Rods: rods(mm)))
            .Where(p => p is { Figure: not null, Rods: not null })
            .ToArray();
        return reached.Length == 0
            ? null
            : new MechanismTravel(
                [.. reached.Select(p => p.Up)],
                [.. reached.Select(p => p.Figure!.Value)],
                [
                    .. reached[0]
                        .Rods!.Select(
                            (rod, i) =>
                                new MechanismRod(
                                    rod.Name,
                                    [.. reached.SelectMany(p => p.Rods![i].Ends())]
                                )
                        ),
                ]
            );
    }
}

/// <summary>A bar of a drawing at one place of the travel, mm.</summary>
internal readonly record struct Rod(string Name, double FromX, double FromZ, double ToX, double ToZ)
{
    /// <summary>A bar between two points of the frame: over the ground they stand higher by as much as the frame does.</summary>
    public static Rod Of(string name, PlanePoint from, PlanePoint to, double frameUp) =>
        new(name, from.Y, from.Z + frameUp, to.Y, to.Z + frameUp);

    /// <summary>Both ends to a hundredth of a mm: finer is not drawn.</summary>
    public double[] Ends() =>
        [Math.Round(FromX, 2), Math.Round(FromZ, 2), Math.Round(ToX, 2), Math.Round(ToZ, 2)];
}
