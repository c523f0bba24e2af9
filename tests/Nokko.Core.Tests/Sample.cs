using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Tests;

/// <summary>A made-up pickup with lips at ±800, mids at −1500, and the pieces of a job around it.</summary>
internal static class Sample
{
    /// <summary>How often a costly property is tried; a tenth where each planted fault has to wait for it, NOKKO_TRIES times as often where nobody waits.</summary>
    public static int Tries(int usual) =>
        Environment.GetEnvironmentVariable("NOKKO_MUTATE") is null ? usual * More : usual / 10;

    /// <summary>How many times the usual tries.</summary>
    public static int More { get; } =
        int.TryParse(
            Environment.GetEnvironmentVariable("NOKKO_TRIES"),
            System.Globalization.CultureInfo.InvariantCulture,
            out var times
        )
            ? times
            : 1;

    public static Guid Id(int n) => new($"00000000-0000-7000-8000-{n:D12}");

    public static DateTimeOffset At(int minutes) =>
        new DateTimeOffset(2026, 3, 2, 8, 0, 0, TimeSpan.Zero).AddMinutes(minutes);

    public static Quantity Mm(double value, Known known = Known.Measured) =>
        Quantity.Mm(value, known);

    public static Quantity Of(double value, Unit unit, Known known = Known.Told) =>
        new()
        {
            Value = value,
            Unit = unit,
            Known = known,
        };

    /// <summary>A torsion bar's adjuster at its turns.</summary>
    public static PlacedPart Adjuster(int id, double turns) =>
        PlacedPart.TurnedAdjuster(Id(id), Of(turns, Unit.One));

    public static VehicleDimensions Sizes { get; } =
        new()
        {
            Wheelbase = Mm(3600),
            FrontTrack = Mm(1640),
            RearTrack = Mm(1640),
            RearSpringBase = Mm(1080),
            FrontAxleMass = new()
            {
                Value = 1100,
                Unit = Unit.Kg,
                Known = Known.Document,
            },
            RearAxleMass = new()
            {
                Value = 800,
                Unit = Unit.Kg,
                Known = Known.Document,
            },
            FrontUnsprungShare = new()
            {
                Value = 0.12,
                Unit = Unit.One,
                Known = Known.Estimated,
            },
            RearUnsprungShare = new()
            {
                Value = 0.2,
                Unit = Unit.One,
                Known = Known.Estimated,
            },
            SillHeight = Mm(500),
            MidMark = Mm(1500),
        };

    public static Vehicle Pickup { get; } =
        new()
        {
            Id = Id(1),
            OwnerId = Id(2),
            PlatformId = Id(3),
            Make = "Ostrel",
            Name = "Drover",
            Plate = "SV 1",
            Kind = VehicleKind.Pickup,
            BodyKind = BodyKind.BodyOnFrame,
            Front = new() { Kind = SuspensionKind.CoilOverArm },
            Rear = new()
            {
                Kind = SuspensionKind.LeafOverslung,
                ShacklePivot = ShacklePivot.AboveEye,
            },
            Dimensions = Sizes,
            TyreSize = "265/70R17",
            TyreKnown = Known.Document,
            Stations =
            [
                Lip("LF", 0, 800),
                Lip("LM", -1500, 880),
                Lip("LR", -3600, 800),
                Lip("RR", -3600, -800),
                Lip("RM", -1500, -880),
                Lip("RF", 0, -800),
            ],
        };

    public static Stage AsFound { get; } =
        new()
        {
            Id = Id(10),
            VehicleId = Id(1),
            JobId = Id(4),
            Front = new() { Kind = SuspensionKind.CoilOverArm },
            Rear = new()
            {
                Kind = SuspensionKind.LeafOverslung,
                ShacklePivot = ShacklePivot.AboveEye,
            },
            Ordinal = 0,
            Name = "as found",
            OpenedAt = At(0),
            Stacks = [],
        };

    public static WalkRound Round(
        int id,
        Guid stage,
        Settled settled = Settled.Rolled,
        Datum datum = Datum.Hub,
        string? spot = "bay 1"
    ) =>
        new()
        {
            Id = Id(id),
            StageId = stage,
            JobId = Id(4),
            Datum = datum,
            Division = Mm(25.4 / 16),
            Settled = settled,
            FloorSurveyed = true,
            Spot = spot,
            PersonId = Id(5),
            At = At(id),
        };

    public static Reading Reading(
        int id,
        int round,
        string? station,
        double mm,
        Datum? from = null,
        Guid? supersedes = null
    ) =>
        new()
        {
            Id = Id(id),
            WalkRoundId = Id(round),
            Kind = ReadingKind.Height,
            Place = new() { Kind = PlaceKind.Station, Name = station },
            From = from ?? (station is "LM" or "RM" ? Datum.Floor : Datum.Hub),
            Value = Mm(mm),
            PersonId = Id(5),
            TakenAt = At(id),
            StoredAt = At(id),
            Supersedes = supersedes,
            Reason = supersedes is null ? null : "hooked the liner",
        };

    /// <summary>Six readings of one round, in walking order LF, LM, LR, RR, RM, RF.</summary>
    public static IReadOnlyList<Reading> Readings(int firstId, int round, params double[] mm) =>
        [
            .. Pickup
                .Stations.Zip(mm, (s, x) => s.Name)
                .Select((name, i) => Reading(firstId + i, round, name, mm[i])),
        ];

    /// <summary>How it stands as found: lips at 520 and 580 over the hubs, middles at 1040.</summary>
    public static WalkRoundStance Stance(Vehicle? vehicle = null) =>
        StanceOf.Compute(
            Round(40, AsFound.Id),
            Readings(100, 40, 520, 1040, 580, 580, 1040, 520),
            vehicle ?? Pickup
        );

    public static PlacedPart Plate(
        int id,
        double? thickness,
        PartKind kind = PartKind.StrutTopSpacer,
        double? claim = null
    ) =>
        new()
        {
            Id = Id(id),
            Name = $"plate {thickness}",
            Kind = kind,
            Thickness = thickness is { } t ? Mm(t) : null,
            Claim = claim is { } c ? Mm(c, Known.Box) : null,
        };

    public static Plan Plan(params (Corner Corner, PlacedPart Part)[] parts) =>
        new()
        {
            Id = Id(20),
            Name = "Plan A",
            FromStageId = AsFound.Id,
            Stacks =
            [
                .. parts
                    .GroupBy(p => p.Corner, p => p.Part)
                    .Select(g => new CornerStack { Corner = g.Key, Parts = [.. g] }),
            ],
        };

    public static Target Level { get; } =
        new()
        {
            Datum = Datum.Hub,
            Rake = Mm(0, Known.Told),
            Tolerance = Mm(6.35),
        };

    /// <summary>A job measured before, planned with a plate on each front corner, begun, and measured after.</summary>
    public static JobDocument Job(
        double[] before,
        double[]? after = null,
        double thickness = 25.4,
        Settled settledAfter = Settled.Rolled
    )
    {
        var plan = Plan(
            (Corner.LF, Plate(30, thickness, claim: 50)),
            (Corner.RF, Plate(31, thickness, claim: 50))
        );
        var document = new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Job = new()
            {
                Id = Id(4),
                VehicleId = Id(1),
                StageId = Id(10),
                Target = Level,
                Equipment = Equipment.TwoPostLift,
                TakenInAt = At(0),
            },
            Owner = new() { Id = Id(2), Name = "Orchard" },
            Vehicle = Pickup,
            Platform = new() { Id = Id(3), Name = "Drover" },
            People = [new() { Id = Id(5), Name = "Brenna" }],
            Stages = [AsFound],
            WalkRounds = [Round(40, AsFound.Id)],
            Readings = Readings(100, 40, before),
            Plans = [plan],
        };
        if (after is null)
        {
            return document;
        }
        var stage = new Stage
        {
            Id = Id(11),
            VehicleId = Id(1),
            JobId = Id(4),
            Front = AsFound.Front,
            Rear = AsFound.Rear,
            Ordinal = 1,
            Name = "after stack 1",
            OpenedAt = At(60),
            Stacks = plan.Stacks,
        };
        return document with
        {
            Stages = [AsFound, stage],
            Plans = [plan with { ToStageId = stage.Id, BegunAt = At(60) }],
            FrozenPredictions =
            [
                new()
                {
                    Id = Id(50),
                    PlanId = plan.Id,
                    At = At(60),
                    Core = "0.1.0",
                    Prediction = JobEvaluator.Predict(
                        document,
                        plan,
                        JobEvaluator.Evaluate(document).WalkRounds,
                        PlatformEvidence.None
                    )!,
                    Target = Level,
                    Dimensions = Sizes,
                },
            ],
            WalkRounds = [.. document.WalkRounds, Round(41, stage.Id, settledAfter)],
            Readings = [.. document.Readings, .. Readings(200, 41, after)],
        };
    }

    private static Station Lip(string name, double x, double y) =>
        new()
        {
            Name = name,
            X = Mm(x),
            Y = Mm(y),
            Carrier = Carrier.Body,
        };
}
