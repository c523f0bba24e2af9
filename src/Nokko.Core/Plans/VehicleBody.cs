using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>A vehicle's body on its springs and on its mounts: worked out once, it answers for every stack.</summary>
/// <remarks>Source: docs/computation/body-on-springs.md#equilibrium. The equilibrium is linear in the free rises.</remarks>
internal sealed class VehicleBody
{
    /// <summary>Share of a load's effect that is its standard uncertainty while the rates are estimated from the mass.</summary>
    private const double EstimatedRateShare = 0.3;

    /// <summary>The same once a ballast test has given both rates.</summary>
    private const double MeasuredRateShare = 0.07;

    private readonly BodyOnSprings _plane;
    private readonly Lazy<BodyOnSprings[]> _stiffer;
    private readonly Dictionary<string, (double[] Springs, double[] Plane)> _responses = [];
    private readonly Dictionary<string, double[][]> _barResponses = [];

    private VehicleBody(Vehicle vehicle, IReadOnlyList<Support> supports)
    {
        (Vehicle, Supports) = (vehicle, supports);
        var bars = VehicleSupports.Bars(vehicle, supports);
        AntiRollBar[] usual = [.. bars.Select(b => b.Bar)];
        var held = VehicleSupports.Held(vehicle);
        Springs = new BodyOnSprings(supports, usual, held);
        _stiffer = new(() =>
            [
                .. bars.Select(b => new BodyOnSprings(
                    supports,
                    [
                        .. usual.Select(u =>
                            u == b.Bar ? u with { RateNPerMm = u.RateNPerMm + b.U } : u
                        ),
                    ],
                    held
                )),
            ]
        );
        var x = supports[2].XMm;
        var (f, r) = (
            vehicle.Dimensions.FrontTrack!.In(Unit.Mm) / 2,
            vehicle.Dimensions.RearTrack!.In(Unit.Mm) / 2
        );
        // Mounts and tyres do not give here: the body lies on the plane that fits them best.
        _plane = new BodyOnSprings([
            new(0, f, 1, 0),
            new(0, -f, 1, 0),
            new(x, r, 1, 0),
            new(x, -r, 1, 0),
        ]);
    }

    public Vehicle Vehicle { get; }

    /// <summary>Its four supports, in the order of <see cref="Corners.All"/>.</summary>
    public IReadOnlyList<Support> Supports { get; }

    /// <summary>The body on them.</summary>
    public BodyOnSprings Springs { get; }

    /// <summary>Share of a load's effect that is its standard uncertainty.</summary>
    public double LoadShare =>
        VehicleSupports.RatesAreMeasured(Vehicle) ? MeasuredRateShare : EstimatedRateShare;

    /// <summary>The body of a vehicle, or the size that is missing.</summary>
    public static (VehicleBody? Body, string? Missing) Of(Vehicle vehicle)
    {
        var (supports, missing) = VehicleSupports.Of(vehicle);
        return (supports is null ? null : new VehicleBody(vehicle, supports), missing);
    }

    /// <summary>What loads do to the body over its hubs and over the floor, where the tyres give too.</summary>
    public (BodyMotion OnHubs, BodyMotion OnFloor) Under(IReadOnlyList<StatedLoad> loads)
    {
        if (loads.Count == 0)
        {
            return default;
        }
        BodyLoad[] on = [.. loads.Select(l => l.OnBody())];
        return (Springs.Solve(on), OnTyres().Solve(on));
    }

    private BodyOnSprings OnTyres()
    {
        var supports = VehicleSupports.Of(Vehicle, onTyres: true).Supports!;
        return new BodyOnSprings(
            supports,
            [.. VehicleSupports.Bars(Vehicle, supports).Select(b => b.Bar)],
            VehicleSupports.Held(Vehicle, onTyres: true)
        );
    }

    /// <summary>Rise of a station per mm of free rise at each spring, and per mm at each mount or tyre.</summary>
    public (double[] Springs, double[] Plane) Response(Station station)
    {
        if (!_responses.TryGetValue(station.Name, out var found))
        {
            found = Response(station.X.In(Unit.Mm), station.Y.In(Unit.Mm));
            _responses[station.Name] = found;
        }
        return found;
    }

    /// <summary>The same of any place of the body.</summary>
    public (double[] Springs, double[] Plane) Response(double xMm, double yMm) =>
        (Springs.Response(xMm, yMm), _plane.Response(xMm, yMm));

    /// <summary>By how much its rise per mm at each spring would be otherwise if the anti-roll bar in front, or the one behind, were stiffer by its standard uncertainty. Nothing of it shows where both sides of an axle rise alike.</summary>
    public double[][] BarResponse(Station station)
    {
        if (!_barResponses.TryGetValue(station.Name, out var found))
        {
            var (x, y) = (station.X.In(Unit.Mm), station.Y.In(Unit.Mm));
            var springs = Response(station).Springs;
            found =
            [
                .. _stiffer.Value.Select(s =>
                    s.Response(x, y).Zip(springs, (a, b) => a - b).ToArray()
                ),
            ];
            _barResponses[station.Name] = found;
        }
        return found;
    }
}
