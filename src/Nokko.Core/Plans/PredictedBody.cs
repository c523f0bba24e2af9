using Nokko.Core.Geometry;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>Carries the free rises of the corners, mounts and tyres, and loads, to any place of the body, with the covariance between them kept.</summary>
/// <remarks>
/// Source: docs/computation/body-on-springs.md#equilibrium. Lips and mids ride on the body: they rise with springs and mounts; in floor datum with the tyres too, and there tyres give under a load.
/// </remarks>
internal sealed class PredictedBody
{
    private readonly VehicleBody _body;
    private readonly FreeRises _rises;
    private readonly BodyMotion _loadOnHubs;
    private readonly BodyMotion _loadOnFloor;
    private readonly double[,] _covariance;
    private readonly bool _oneSided;

    public PredictedBody(VehicleBody body, FreeRises rises, IReadOnlyList<StatedLoad> loads)
    {
        (_body, _rises, _covariance) = (body, rises, rises.Covariance.ToArray());
        (_loadOnHubs, _loadOnFloor) = body.Under(loads);
        _oneSided = rises.MeanMm[0] != rises.MeanMm[1] || rises.MeanMm[2] != rises.MeanMm[3];
    }

    /// <summary>Predicted stations, in walking order, as far as they were measured before.</summary>
    public IReadOnlyList<PredictedStation> Stations(WalkRoundStance baseline) =>
        [
            .. _body
                .Vehicle.Stations.Select(s => (Station: s, Before: baseline.At(s.Name)))
                .Where(s => s.Before is not null)
                .Select(s =>
                {
                    var (rise, variance, read) = Rise([(s.Station, 1)], s.Before!.Datum);
                    var before = s.Before.Height;
                    return new PredictedStation(
                        s.Station.Name,
                        before,
                        Result.Of(rise, Unit.Mm, Math.Sqrt(variance + read), _rises.Parts),
                        After(before, rise, variance, s.Before.Datum, [(s.Station, 1)])
                    );
                }),
        ];

    /// <summary>Predicted rake.</summary>
    public Result Rake(WalkRoundStance baseline) =>
        Sum(baseline, baseline.Rake, ("LF", -0.5), ("RF", -0.5), ("LR", 0.5), ("RR", 0.5));

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
            return Result.No(Unit.Mm, why);
        }
        var stations = new List<(Station, double)>();
        foreach (var (name, factor) in terms)
        {
            if (_body.Vehicle.Stations.FirstOrDefault(s => s.Name == name) is not { } station)
            {
                return Result.No(Unit.Mm, $"This vehicle has no station {name}.");
            }
            stations.Add((station, factor));
        }
        var (rise, variance, read) = Rise(stations, baseline.Datum);
        var ub = before?.U ?? 0;
        return Result.Of(
            (before?.Value ?? 0) + rise,
            Unit.Mm,
            Math.Sqrt(
                Math.Max(
                    0,
                    before is null
                        ? variance + read
                        : (ub * ub) + variance + TakenBack(stations, baseline.Datum)
                )
            ),
            [
                .. before?.RestsOn ?? [],
                .. _rises.Parts,
                .. baseline.Stations.SelectMany(s => before is null ? [] : s.Height.RestsOn),
            ]
        );
    }

    /// <summary>Rise of the body over the floor at the middles of both axles, through springs, mounts and tyres. Bars count nothing in the middle.</summary>
    public AxleRises OverFloor()
    {
        var rear = _body.Supports[2].XMm;
        var (f, r) = (InMiddle(0), InMiddle(rear));
        var (front, back) = (_loadOnFloor.RiseAt(0, 0), _loadOnFloor.RiseAt(rear, 0));
        // A load that is stated is wrong by the same share everywhere.
        double Shared(double[] a, double[] b, double ofA, double ofB)
        {
            var sum = Math.Pow(_body.LoadShare, 2) * ofA * ofB;
            for (var i = 0; i < FreeRises.Count; i++)
            {
                for (var j = 0; j < FreeRises.Count; j++)
                {
                    sum += a[i] * _covariance[i, j] * b[j];
                }
            }
            return sum;
        }
        Estimate Over(double[] of, double load) =>
            new(
                load + of.Select((c, i) => c * _rises.MeanMm[i]).Sum(),
                Math.Sqrt(Math.Max(0, Shared(of, of, load, load)))
            );
        return new AxleRises(Over(f, front), Over(r, back), Shared(f, r, front, back));
    }

    private double[] InMiddle(double x)
    {
        var (springs, plane) = _body.Response(x, 0);
        return [.. springs, .. plane, .. plane];
    }

    /// <summary>Cross-weight: what each spring's load changes by.</summary>
    public IReadOnlyList<LoadChange> LoadChanges()
    {
        var springs = _rises.SpringsMm();
        return
        [
            .. _body
                .Springs.LoadChanges(_body.Springs.Solve(springs), springs)
                .Select(
                    (n, i) =>
                        new LoadChange(
                            Corners.All[i],
                            Result.Of(n, Unit.Newton, null, _rises.Parts, Known.Estimated)
                        )
                ),
        ];
    }

    /// <summary>A height after the work.</summary>
    private Result After(
        Result before,
        double rise,
        double variance,
        Datum datum,
        IReadOnlyList<(Station Station, double Factor)> terms
    ) =>
        before is { Value: { } was, U: { } u }
            ? Result.Of(
                was + rise,
                Unit.Mm,
                Math.Sqrt(Math.Max(0, (u * u) + variance + TakenBack(terms, datum))),
                [.. before.RestsOn, .. _rises.Parts]
            )
            : before;

    /// <summary>What the error of a lip's reading adds to the variance of a sum of heights from which a rise was counted as well, mm²: it enters with the factor of the lip less what follows of it by the rise. Below zero where it goes out.</summary>
    private double TakenBack(IReadOnlyList<(Station Station, double Factor)> terms, Datum datum)
    {
        var sum = 0.0;
        for (var i = 0; i < 4; i++)
        {
            if (_rises.Read[i] == 0)
            {
                continue;
            }
            var direct = terms
                .Where(t => t.Station.Name == Corners.All[i].Name())
                .Sum(t => t.Factor);
            var follows = terms.Sum(t => t.Factor * PerSpring(t.Station, datum)[i]);
            sum += (Math.Pow(direct - follows, 2) - (direct * direct)) * _rises.Read[i];
        }
        return sum;
    }

    /// <summary>Rise of a station per mm at each spring, as it is read in a datum: over its own frame or mark the body does not move.</summary>
    private double[] PerSpring(Station station, Datum datum) =>
        datum is Datum.Frame or Datum.Own || station.Carrier == Carrier.Axle
            ? [0, 0, 0, 0]
            : _body.Response(station).Springs;

    /// <summary>A weighted sum of rises, mm; its variance but for the readings that a rise was counted from, and theirs; mm².</summary>
    private (double Mm, double Variance, double Read) Rise(
        IReadOnlyList<(Station Station, double Factor)> terms,
        Datum datum
    )
    {
        var response = new double[FreeRises.Count];
        var bars = new double[2, 4];
        var load = 0.0;
        foreach (var (station, factor) in terms)
        {
            var (x, y) = (station.X.In(Unit.Mm), station.Y.In(Unit.Mm));
            var (springs, plane) = _body.Response(station);
            var ofBars = _oneSided ? _body.BarResponse(station) : null;
            var onBody = station.Carrier is Carrier.Body or Carrier.Bed ? factor : 0;
            // Over its own frame or mark the body does not move, and the axle rides on its tyres alone; over the floor the tyres count too.
            var onSprings =
                datum is Datum.Frame or Datum.Own || station.Carrier == Carrier.Axle ? 0 : factor;
            var onTyres = datum == Datum.Floor ? factor : 0;
            for (var i = 0; i < 4; i++)
            {
                response[i] += onSprings * springs[i];
                bars[0, i] += ofBars is null ? 0 : onSprings * ofBars[0][i];
                bars[1, i] += ofBars is null ? 0 : onSprings * ofBars[1][i];
                response[FreeRises.Pucks + i] += onBody * plane[i];
                response[FreeRises.Tyres + i] += onTyres * plane[i];
            }
            load +=
                station.Carrier == Carrier.Axle
                    ? onTyres * (_loadOnFloor.RiseAt(x, y) - _loadOnHubs.RiseAt(x, y))
                    : onSprings * (datum == Datum.Floor ? _loadOnFloor : _loadOnHubs).RiseAt(x, y);
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
        for (var bar = 0; _oneSided && bar < 2; bar++)
        {
            // One side of an axle that stands on more: what the bars carry over. The axles count apart.
            for (var i = 0; i < 4; i += 2)
            {
                variance += Math.Pow(
                    (bars[bar, i] * _rises.MeanMm[i]) + (bars[bar, i + 1] * _rises.MeanMm[i + 1]),
                    2
                );
            }
        }
        var read = Enumerable.Range(0, 4).Sum(i => response[i] * response[i] * _rises.Read[i]);
        return (mean, Math.Max(0, variance) + Math.Pow(_body.LoadShare * load, 2), read);
    }
}
