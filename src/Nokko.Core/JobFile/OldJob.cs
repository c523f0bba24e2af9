using Nokko.Core.Evidence;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <summary>What is known where an old job comes in.</summary>
/// <param name="Shop">Key of the shop.</param>
/// <param name="By">Who brings it in.</param>
/// <param name="Now">This instant.</param>
/// <param name="Style">How that person reads lengths.</param>
/// <param name="Platform">The shop's platform of a name; null where it has none.</param>
/// <param name="Owner">The shop's owner of a name; null where it has none.</param>
public sealed record OldJobContext(
    Guid Shop,
    Person By,
    DateTimeOffset Now,
    LengthStyle Style,
    Func<string, Platform?> Platform,
    Func<string, Owner?> Owner
);

/// <summary>A job of the years before, as a line of a table: one axle, what went in on both sides, heights before and after. It comes in handed over, its heights told and not measured.</summary>
/// <remarks>Source: docs/formats/old-jobs.md; docs/computation/learning.md#told-heights for what it teaches.</remarks>
public static partial class OldJob
{
    /// <summary>Columns of heights, by the corner.</summary>
    private static readonly (string Column, Corner Corner)[] Lips =
    [
        ("lf", Corner.LF),
        ("rf", Corner.RF),
        ("lr", Corner.LR),
        ("rr", Corner.RR),
    ];

    /// <summary>Its columns, in order.</summary>
    public static IReadOnlyList<string> Columns { get; } =
    [
        "date",
        "platform",
        "make",
        "name",
        "plate",
        "owner",
        "sort",
        "front",
        "rear",
        "axle",
        "part",
        "kind",
        "thickness",
        "claim",
        "from",
        .. Lips.Select(l => $"before_{l.Column}"),
        .. Lips.Select(l => $"after_{l.Column}"),
    ];

    /// <summary>Columns without which a line says nothing.</summary>
    public static IReadOnlyList<string> Needed { get; } =
    ["date", "platform", "make", "name", "sort", "front", "rear", "axle", "part", "kind"];

    /// <summary>Reads one line. The same line always gives the same keys, so that it does not come in twice.</summary>
    /// <param name="cell">The cells, by column; null is empty.</param>
    /// <param name="context">What is known where it comes in.</param>
    /// <exception cref="RefusedException">It cannot be taken, at the column.</exception>
    public static JobDocument Read(Func<string, string?> cell, OldJobContext context)
    {
        var day = Day(cell("date"), context.Now);
        var at = new DateTimeOffset(day.ToDateTime(new TimeOnly(12, 0)), TimeSpan.Zero);
        var keys = new RowKeys(Seed(context.Shop, cell), at);
        var sort = Word<VehicleKind>(cell("sort"), "sort");
        var axle = Word<Axle>(cell("axle"), "axle");
        var from = cell("from") is { } said ? Word<Datum>(said, "from") : Datum.Hub;
        if (from == Datum.Own)
        {
            throw Refuse.Value("from", "Hub, floor, edge of the rim or frame.");
        }
        var platformName = TypedText.Needed(cell("platform"), "platform", "Which platform?");
        var ownerName = TypedText.Line(cell("owner"), "owner") ?? FromTheBooks;
        // Whether the two are new or not, the keys that follow are the same.
        var (newPlatform, newOwner) = (keys.Next(), keys.Next());
        var platform =
            context.Platform(platformName)
            ?? new Platform { Id = newPlatform, Name = platformName };
        var owner = context.Owner(ownerName) ?? new Owner { Id = newOwner, Name = ownerName };
        var sizes = VehicleDefaults.Fill(new VehicleDimensions(), sort);
        var (front, rear) = (
            new Vehicles.Suspension { Kind = Word<SuspensionKind>(cell("front"), "front") },
            new Vehicles.Suspension { Kind = Word<SuspensionKind>(cell("rear"), "rear") }
        );
        var vehicle = new Vehicle
        {
            Id = keys.Next(),
            OwnerId = owner.Id,
            PlatformId = platform.Id,
            Make = TypedText.Needed(cell("make"), "make", "What make was it?"),
            Name = TypedText.Needed(cell("name"), "name", "What was it called?"),
            Plate = TypedText.Line(cell("plate"), "plate") ?? NoPlate,
            Kind = sort,
            BodyKind = VehicleDefaults.With(sort).BodyKind,
            Front = front,
            Rear = rear,
            Dimensions = sizes,
            TyreSize = VehicleDefaults.TyreSize(sort),
            TyreKnown = Known.Estimated,
            Stations = VehicleDefaults.Stations(sizes, sort),
        };
        var (job, found, fitted) = (keys.Next(), keys.Next(), keys.Next());
        var stacks = Fitted(cell, keys, axle, vehicle);
        var plan = new Plan
        {
            Id = keys.Next(),
            Name = "As it was done",
            FromStageId = found,
            ToStageId = fitted,
            Stacks = stacks,
            BegunAt = at,
        };
        var target = new Target
        {
            Datum = from,
            Tolerance = Quantity.Mm(Target.UsualToleranceMm, Known.Estimated),
        };
        var (before, after) = (
            Round(keys.Next(), found, job, from, at.AddMinutes(-60), context),
            Round(keys.Next(), fitted, job, from, at.AddMinutes(60), context)
        );
        var d = new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Owner = owner,
            Platform = platform,
            Vehicle = vehicle,
            People = [context.By],
            Job = new Job
            {
                Id = job,
                VehicleId = vehicle.Id,
                StageId = found,
                Target = target,
                Equipment = Equipment.TwoPostLift,
                TakenInAt = at.AddMinutes(-120),
                HandedOverAt = at.AddMinutes(120),
                HandedOverBy = context.By.Id,
            },
            Stages =
            [
                Stage(found, 0, "as found", at.AddMinutes(-120), []),
                Stage(fitted, 1, "after stack 1", at, stacks),
            ],
            WalkRounds = [before, after],
            Readings =
            [
                .. Heights(cell, "before", before, vehicle, keys, context),
                .. Heights(cell, "after", after, vehicle, keys, context),
            ],
            Plans = [plan],
            History =
            [
                new HistoryEntry
                {
                    Id = keys.Next(),
                    Kind = Said,
                    PersonId = context.By.Id,
                    At = context.Now,
                },
            ],
        };
        var prediction = JobEvaluator.Predict(
            d,
            plan,
            JobEvaluator.StancesOf(d),
            PlatformEvidence.None
        )!;
        return d with
        {
            FrozenPredictions =
            [
                new FrozenPrediction
                {
                    Id = keys.Next(),
                    PlanId = plan.Id,
                    At = at,
                    Core = JobEvaluator.CoreVersion,
                    Prediction = prediction,
                    Target = target,
                    Dimensions = sizes,
                },
            ],
        };

        Stage Stage(
            Guid id,
            int ordinal,
            string name,
            DateTimeOffset opened,
            IReadOnlyList<CornerStack> stands
        ) =>
            new()
            {
                Id = id,
                VehicleId = vehicle.Id,
                JobId = job,
                Front = front,
                Rear = rear,
                Ordinal = ordinal,
                Name = name,
                OpenedAt = opened,
                Stacks = stands,
            };
    }

    /// <summary>What the history of a job says that came in so.</summary>
    public const string Said = "brought in from paper";

    /// <summary>Whose a vehicle is where the table does not say.</summary>
    public const string FromTheBooks = "From the books";

    private const string NoPlate = "no plate";
}
