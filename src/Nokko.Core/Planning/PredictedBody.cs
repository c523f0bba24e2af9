using Nokko.Core.Measuring;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Planning;

/// <summary>Carries the free rises of the corners, mounts and tyres, and loads, to any place of the body, with the covariance between them kept.</summary>
/// <remarks>
/// Source: computation.md, section 6. Lips and mids ride on the body: they rise with springs and mounts; in floor datum with the tyres too, and there tyres give under a load.
/// </remarks>
internal sealed class PredictedBody
{
    /// <summary>Share of a load's effect that is its standard uncertainty while the rates are estimated from the mass.</summary>
    private const double EstimatedRateShare = 0.3;

    /// <summary>The same once a ballast test has given both rates.</summary>
    private const double MeasuredRateShare = 0.07;

    private readonly Vehicle _vehicle;
    private readonly FreeRises _rises;
    private readonly BodyOnSprings _springs;
    private readonly BodyOnSprings _plane;
    private readonly BodyMotion _loadOnHubs;
    private readonly BodyMotion _loadOnFloor;
    private readonly double _loadShare;
    private readonly double[,] _covariance;
    private readonly Dictionary<
        string,
        (IReadOnlyList<double> Springs, IReadOnlyList<double> Plane)
    > _responses = [];

    public PredictedBody(Vehicle vehicle, FreeRises rises, IReadOnlyList<StatedLoad> loads)
    {
        (_vehicle, _rises, _covariance) = (vehicle, rises, rises.Covariance.ToArray());
        var supports = VehicleSupports.Of(vehicle).Supports!;
        _springs = new BodyOnSprings([
            .. supports.Select((s, i) => s with { FreeRiseMm = rises.MeanMm[i] }),
        ]);
        var x = supports[2].XMm;
        var (f, r) = (
            vehicle.Dimensions.FrontTrack!.In("mm") / 2,
            vehicle.Dimensions.RearTrack!.In("mm") / 2
        );
        // Mounts and tyres do not give here: the body lies on the plane that fits them best.
        _plane = new BodyOnSprings([
            new(0, f, 1, 0),
            new(0, -f, 1, 0),
            new(x, r, 1, 0),
            new(x, -r, 1, 0),
        ]);
        if (loads.Count > 0)
        {
            BodyLoad[] on = [.. loads.Select(l => l.OnBody())];
            _loadOnHubs = new BodyOnSprings(supports).Solve(on);
            _loadOnFloor = new BodyOnSprings(
                VehicleSupports.Of(vehicle, onTyres: true).Supports!
            ).Solve(on);
        }
        _loadShare = VehicleSupports.RatesAreMeasured(vehicle)
            ? MeasuredRateShare
            : EstimatedRateShare;
    }

    /// <summary>Predicted stations, in walking order, as far as they were measured before.</summary>
    public IReadOnlyList<PredictedStation> Stations(WalkRoundStance baseline) =>
        [
            .. _vehicle
                .Stations.Select(s => (Station: s, Before: baseline.At(s.Name)))
                .Where(s => s.Before is not null)
                .Select(s =>
                {
                    var (rise, u) = Rise([(s.Station, 1)], s.Before!.Datum);
                    var before = s.Before.Height;
                    return new PredictedStation(
                        s.Station.Name,
                        before,
                        Result.Of(rise, "mm", u, _rises.Parts),
                        Result.Of(
                            before.Value!.Value + rise,
                            "mm",
                            Math.Sqrt((u * u) + (before.U!.Value * before.U.Value)),
                            [.. before.RestsOn, .. _rises.Parts]
                        )
                    );
                }),
        ];

    /// <summary>Predicted rake.</summary>
    public Result Rake(WalkRoundStance baseline) =>
        Sum(
            baseline,
            baseline.Rake,
            (Corners.LF, -0.5),
            (Corners.RF, -0.5),
            (Corners.LR, 0.5),
            (Corners.RR, 0.5)
        );

    /// <summary>A weighted sum of rises added to what was measured before.</summary>
    /// <param name="baseline">The stance before.</param>
    /// <param name="before">Its own value of the sum; null for a rise.</param>
    /// <param name="terms">Stations with their factors.</param>
    public Result Sum(
        WalkRoundStance baseline,
        Result? before,
        params ReadOnlySpan<(string Station, double Factor)> terms
    )
    {
        if (before?.Cannot is { } why)
        {
            return Result.No("mm", why);
        }
        var stations = new List<(Station, double)>();
        foreach (var (name, factor) in terms)
        {
            if (_vehicle.Stations.FirstOrDefault(s => s.Name == name) is not { } station)
            {
                return Result.No("mm", $"This vehicle has no station {name}.");
            }
            stations.Add((station, factor));
        }
        var (rise, u) = Rise(stations, baseline.Datum);
        var ub = before?.U ?? 0;
        return Result.Of(
            (before?.Value ?? 0) + rise,
            "mm",
            Math.Sqrt((ub * ub) + (u * u)),
            [
                .. before?.RestsOn ?? [],
                .. _rises.Parts,
                .. baseline.Stations.SelectMany(s => before is null ? [] : s.Height.RestsOn),
            ]
        );
    }

    /// <summary>Cross-weight: what each spring's load changes by.</summary>
    public IReadOnlyList<LoadChange> LoadChanges() =>
        [
            .. _springs
                .LoadChanges(_springs.Solve())
                .Select(
                    (n, i) =>
                        new LoadChange(
                            Corners.All[i],
                            Result.Of(n, "N", null, _rises.Parts, Known.Estimated)
                        )
                ),
        ];

    private (double Mm, double U) Rise(
        IReadOnlyList<(Station Station, double Factor)> terms,
        Datum datum
    )
    {
        var response = new double[FreeRises.Count];
        var load = 0.0;
        foreach (var (station, factor) in terms)
        {
            var (x, y) = (station.X.In("mm"), station.Y.In("mm"));
            var (springs, plane) = Response(station, x, y);
            var onBody = station.Carrier is Carrier.Body or Carrier.Bed ? factor : 0;
            // Over its own frame or mark the body does not move; over the floor the tyres count too.
            var onSprings = datum is Datum.Frame or Datum.Own ? 0 : factor;
            var onTyres = datum == Datum.Floor ? factor : 0;
            for (var i = 0; i < 4; i++)
            {
                response[i] += onSprings * springs[i];
                response[FreeRises.Pucks + i] += onBody * plane[i];
                response[FreeRises.Tyres + i] += onTyres * plane[i];
            }
            load += onSprings * (datum == Datum.Floor ? _loadOnFloor : _loadOnHubs).RiseAt(x, y);
        }
        var (mean, variance) = (load, 0.0);
        for (var i = 0; i < FreeRises.Count; i++)
        {
            mean += response[i] * _rises.MeanMm[i];
            for (var j = 0; j < FreeRises.Count; j++)
            {
                variance += response[i] * _covariance[i, j] * response[j];
            }
        }
        return (mean, Math.Sqrt(Math.Max(0, variance) + (_loadShare * load * _loadShare * load)));
    }

    /// <summary>Response of a station to springs and to mounts; asked for again and again, worked out once.</summary>
    private (IReadOnlyList<double> Springs, IReadOnlyList<double> Plane) Response(
        Station station,
        double x,
        double y
    )
    {
        if (!_responses.TryGetValue(station.Name, out var found))
        {
            found = (_springs.Response(x, y), _plane.Response(x, y));
            _responses[station.Name] = found;
        }
        return found;
    }
}
