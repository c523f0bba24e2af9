using MathNet.Numerics.Distributions;
using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Bay;

/// <summary>What is not perfect about a virtual vehicle and the hand that reads it.</summary>
/// <param name="Seed">Seed of everything that is left to chance.</param>
/// <param name="NoiseMm">Standard deviation of one read, mm.</param>
/// <param name="SettleMm">How far it sinks after it was let down, mm.</param>
/// <param name="SettleSeconds">Time in which a third of that is left, s.</param>
/// <param name="Pads">True heights of the floor under the wheels; empty is even.</param>
/// <param name="SlipStation">A station at which the reader slips, or null.</param>
/// <param name="SlipMm">By how much, mm.</param>
public sealed record BayOptions(
    int Seed,
    double NoiseMm = 0.4,
    double SettleMm = 6,
    double SettleSeconds = 20,
    IReadOnlyList<WheelPad>? Pads = null,
    string? SlipStation = null,
    double SlipMm = 12.7
);

/// <summary>A vehicle that exists in numbers only: it stands as the job's parts make it stand, and is read as imperfectly as a real one.</summary>
/// <remarks>
/// As found it stands as it was measured first, or as usual. Every later stage adds the core's own mean prediction,
/// times a share between 0.9 and 1.1 that belongs to this vehicle: no real lift lands on its mean.
/// </remarks>
public sealed class VirtualVehicle
{
    private readonly JobDocument _job;
    private readonly WalkRound _round;
    private readonly BayOptions _options;
    private readonly Random _chance;
    private readonly FloorSurvey? _floor;
    private readonly Dictionary<string, double> _bodyMm;
    private readonly double _radiusMm;

    /// <summary>How much the plan that made the stage moves onto right front and left rear, of 100.</summary>
    private readonly Lazy<double> _across;

    /// <summary>How much of what is foretold this vehicle does.</summary>
    private readonly double _share;

    /// <summary>A vehicle standing at the stage of one walk-round.</summary>
    /// <param name="job">The job.</param>
    /// <param name="round">The walk-round.</param>
    /// <param name="options">What is not perfect.</param>
    public VirtualVehicle(JobDocument job, WalkRound round, BayOptions options)
    {
        (_job, _round, _options) = (job, round, options);
        _chance = new Random(options.Seed);
        _floor = FloorSurvey.Of(
            round with
            {
                Pads = options.Pads ?? [],
            },
            job.VehicleAt(round.StageId)
        );
        _radiusMm = TyreSize.Parse(job.Vehicle.TyreSize) is { } tyre
            ? Datums.Estimate(tyre).LoadedRadiusMm
            : 370;
        var own = new Random(BitConverter.ToInt32(job.Vehicle.Id.ToByteArray(), 12));
        _share = 0.9 + (0.2 * own.NextDouble());
        _bodyMm = Heights();
        _across = new(MovedAcross);
    }

    /// <summary>True height of a station above a datum on an even floor, settled, mm.</summary>
    public double TrueMm(string station, Datum from) =>
        from switch
        {
            Datum.Floor => _bodyMm[station] + _radiusMm,
            Datum.Rim => _bodyMm[station]
                + (((TyreSize.Parse(_job.Vehicle.TyreSize)?.RimInches ?? 17) * 25.4 + 35) / 2),
            _ => _bodyMm[station],
        };

    /// <summary>What a read gives, mm: the truth, the floor, what is left to settle, the hand, and perhaps a slip.</summary>
    /// <param name="station">The station.</param>
    /// <param name="from">The datum.</param>
    /// <param name="secondsDown">Seconds since it was let down; null is settled.</param>
    public double ReadMm(string station, Datum from, double? secondsDown = null)
    {
        var place = _job.Vehicle.Stations.First(s => s.Name == station);
        return TrueMm(station, from)
            - (_floor?.CorrectionMm(place, from) ?? 0)
            + (secondsDown is { } t ? _options.SettleMm * Math.Exp(-t / _options.SettleSeconds) : 0)
            + Normal.Sample(_chance, 0, _options.NoiseMm)
            + (station == _options.SlipStation ? _options.SlipMm : 0);
    }

    /// <summary>An angle of the alignment rack or the angle gauge, °: moved by the lift as the vehicle's own arms move it, else as a rule of thumb does.</summary>
    /// <param name="measure">Key of the measure.</param>
    /// <param name="place">The place.</param>
    public double ReadDegrees(string measure, string place)
    {
        var lift = FrameMm(place);
        var moved = Moved(place, lift);
        var truth = measure switch
        {
            Measures.CamberAngle => -0.3 + moved.Camber,
            "toeAngle" => 0.05 + moved.Toe,
            Measures.Caster => 3.2 + moved.Caster,
            "thrustAngle" => 0.06,
            Measures.PinionAngle => 4.5,
            Measures.ShaftAngle => 6 + (lift * 0.03),
            Measures.BodyAngle => BodyAngle(),
            _ => 8 + (lift * 0.08),
        };
        return truth + Normal.Sample(_chance, 0, 0.04);
    }

    /// <summary>What the scale under a wheel shows, kg: as it was weighed first, else as its axles weigh, and across the diagonals what the stage's plan moved.</summary>
    /// <param name="corner">The wheel.</param>
    public double ReadKg(Corner corner)
    {
        var kg = Corners.All.ToDictionary(c => c, First);
        var across = _share * _across.Value / 100 * kg.Values.Sum() / 2;
        return kg[corner]
            + (corner is Corner.RF or Corner.LR ? across : -across)
            + Normal.Sample(_chance, 0, 0.5);

        double First(Corner c) =>
            _job.Readings.FirstOrDefault(r =>
                    r.Measure == Measures.WheelWeight && r.Place.Name == c.Name()
                )
                ?.Value?.In(Unit.Kg)
            ?? (
                Corners.AxleOf(c) == Axle.Front
                    ? _job.Vehicle.Dimensions.FrontAxleMass
                    : _job.Vehicle.Dimensions.RearAxleMass
            )?.In(Unit.Kg) / 2
            ?? 500;
    }

    /// <summary>Nothing where nobody weighed it.</summary>
    private double MovedAcross() =>
        _job.Plans.FirstOrDefault(p => p.ToStageId == _round.StageId) is { } plan
        && JobGeometry
            .Of(_job, plan, PlatformEvidence.None)
            .Mechanisms.FirstOrDefault(m => m.Kind == MechanismKind.CornerScales)
            is { } scales
            ? (scales.Stands.Figure.Value - scales.Ways[0].Figure.Value) ?? 0
            : 0;

    /// <summary>What the lift of a front wheel does to its angles over the ground, °: from points in space or a radius arm where they were taped.</summary>
    private (double Camber, double Toe, double Caster) Moved(string place, double lift)
    {
        const double Degrees = 180 / Math.PI;
        var vehicle = _job.VehicleAt(_round.StageId);
        // A degree of camber inward and half a degree of caster a lifted hundred, toe two fifths; all round figures. A live axle keeps both its wheels as they were.
        var live =
            Corners.Named(place) is { } at
            && vehicle.SuspensionOf(Corners.AxleOf(at)).Kind.IsLiveAxle();
        var usual = (live ? 0 : -0.01 * lift, live ? 0 : -0.004 * lift, Caster: -0.005 * lift);
        if (
            Corners.Named(place) is not { } corner
            || Corners.AxleOf(corner) != Axle.Front
            || vehicle.Dimensions is not { Wheelbase: { } wheelbase, FrontTrack: { } track }
        )
        {
            return usual;
        }
        // Pucks lift the body and leave the arms; what is lowered with them turns them the less.
        var (front, rear) = (FrameMm("front"), FrameMm("rear"));
        var noseDown = (rear - front) / wheelbase.In(Unit.Mm);
        var turned = FrameMm(place) - Amount(corner, PartKind.DropBracket, PartKind.SubframeBlock);
        if (
            SpaceArms.Has(vehicle.Front.Kind)
            && SpaceArms.Points(vehicle.Front) is { } points
            && SpaceArms.WhyNot(points) is null
        )
        {
            var arms = new SpaceWishbone(points);
            if (arms.At(0) is { } was && arms.At(-turned) is { } now)
            {
                // A left side that goes up tips both wheels to the right.
                var left = (FrameMm("LF") - FrameMm("RF")) / track.In(Unit.Mm);
                return (
                    (now.Camber - was.Camber + (corner == Corner.LF ? -left : left)) * Degrees,
                    (now.Toe - was.Toe) * Degrees,
                    (now.Caster - was.Caster - noseDown) * Degrees
                );
            }
        }
        return TapedAxle.CasterRad(vehicle.Front, front, rear, wheelbase.In(Unit.Mm)) is { } caster
            ? (0, 0, caster * Degrees)
            : usual;
    }

    private double BodyAngle()
    {
        var wheelbase = _job.Vehicle.Dimensions.Wheelbase?.In(Unit.Mm) ?? 3300;
        var rake = (_bodyMm["LR"] + _bodyMm["RR"] - _bodyMm["LF"] - _bodyMm["RF"]) / 2;
        return Math.Atan2(rake, wheelbase) * 180 / Math.PI;
    }

    /// <summary>How far the frame rose there: the body's rise less its pucks.</summary>
    private double FrameMm(string place)
    {
        var first = Base();
        IReadOnlyList<Corner> corners = Corners.Named(place) is { } one
            ? [one]
            : Corners.Of(place == Axle.Rear.Said() ? Axle.Rear : Axle.Front);
        return corners.Average(c =>
            _bodyMm[c.Name()] - first[c.Name()] - (_share * Amount(c, PartKind.BodyPuck))
        );
    }

    /// <summary>What parts of some kinds add up to at a corner of the stage that is read, mm.</summary>
    private double Amount(Corner corner, params PartKind[] kinds) =>
        CornerStack
            .At(_job.Stages.First(s => s.Id == _round.StageId).Stacks, corner)
            .Where(p => kinds.Contains(p.Kind))
            .Sum(p => p.Thickness?.In(Unit.Mm) ?? 0);

    private Dictionary<string, double> Heights()
    {
        var heights = Base();
        var stages = _job
            .Stages.Where(s => s.Ordinal >= 0)
            .OrderBy(s => s.Ordinal)
            .TakeWhile(s => s.Ordinal <= _job.Stages.First(x => x.Id == _round.StageId).Ordinal)
            .ToArray();
        foreach (var (from, to) in stages.Zip(stages.Skip(1)))
        {
            var plan = new Plan
            {
                Id = to.Id,
                Name = to.Name,
                FromStageId = from.Id,
                Stacks = to.Stacks,
                Conversions = _job.Plans.FirstOrDefault(p => p.ToStageId == to.Id)?.Conversions,
            };
            var stance = _job
                .WalkRounds.Select(w =>
                    StanceOf.Compute(w, _job.Readings, _job.VehicleAt(w.StageId))
                )
                .FirstOrDefault(s => s.Stations.Count > 0);
            foreach (
                var row in Predictor
                    .Predict(plan, new Situation(from, _job.VehicleAt(from), stance))
                    .Stations
            )
            {
                heights[row.Station] += _share * (row.Rise.Value ?? 0);
            }
        }
        return heights;
    }

    /// <summary>Heights above the hub as found: as first measured, else as usual; stations that nobody read lie on the body's plane.</summary>
    private Dictionary<string, double> Base()
    {
        var first = _job
            .WalkRounds.Where(w => !w.FromDocument)
            .OrderBy(w => w.At)
            .Select(w => StanceOf.Compute(w, _job.Readings, _job.VehicleAt(w.StageId)))
            .FirstOrDefault();
        var (front, rear) = (Mean(first, Axle.Front) ?? 518, Mean(first, Axle.Rear) ?? 574);
        var wheelbase = _job.Vehicle.Dimensions.Wheelbase?.In(Unit.Mm) ?? 3300;
        return _job.Vehicle.Stations.ToDictionary(
            s => s.Name,
            s =>
                first?.Stations.FirstOrDefault(h => h.Station == s.Name && h.Datum == Datum.Hub)
                    is { } hub
                    ? hub.Height.Value!.Value
                : first?.Stations.FirstOrDefault(h => h.Station == s.Name && h.Datum == Datum.Floor)
                    is { } floor
                    ? floor.Height.Value!.Value - _radiusMm
                : Plane(s, front, rear, wheelbase)
        );
    }

    private static double Plane(Station s, double front, double rear, double wheelbase)
    {
        var lip = front + (-s.X.In(Unit.Mm) / wheelbase * (rear - front));
        return s.Name switch
        {
            ['s', 'i', 'l', 'l', ..] => lip - 400,
            ['b', 'u', 'm', 'p', 'e', 'r', ..] => lip - 180,
            "LM" or "RM" => lip + 120,
            _ => lip,
        };
    }

    private static double? Mean(WalkRoundStance? stance, Axle axle)
    {
        var read = Corners
            .Of(axle)
            .Select(c =>
                stance?.Stations.FirstOrDefault(s => s.Station == c.Name() && s.Datum == Datum.Hub)
            )
            .OfType<StationHeight>()
            .ToArray();
        return read.Length == 0 ? null : read.Average(s => s.Height.Value!.Value);
    }
}
