using System.Text.Json.Serialization;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>A follow-up that is still to come.</summary>
/// <param name="Id">Key.</param>
/// <param name="What">What.</param>
/// <param name="DueOn">The day.</param>
/// <param name="DueAt">The odometer reading.</param>
public sealed record ToCome(Guid Id, string What, DateOnly? DueOn, Quantity? DueAt);

/// <summary>Where and when a job is booked.</summary>
/// <param name="Bay">The bay.</param>
/// <param name="Day">The day on which it shall begin.</param>
/// <param name="From">When on that day, minutes after midnight.</param>
public sealed record YardBooking(string? Bay, DateOnly Day, int From);

/// <summary>A vehicle as the yard names and draws it.</summary>
/// <param name="Make">Make.</param>
/// <param name="Name">Name.</param>
/// <param name="Plate">Plate.</param>
/// <param name="Vin">Vehicle identification number.</param>
/// <param name="Kind">What sort.</param>
/// <param name="Dimensions">Its sizes.</param>
/// <param name="TyreSize">Its tyres.</param>
public sealed record YardVehicle(
    string Make,
    string Name,
    string? Plate,
    string? Vin,
    VehicleKind Kind,
    VehicleDimensions Dimensions,
    string? TyreSize
);

/// <summary>The line through the lips, to be drawn: heights of the mean lips in one datum.</summary>
/// <param name="Datum">The datum.</param>
/// <param name="FrontMm">Front, mm.</param>
/// <param name="RearMm">Rear, mm.</param>
public sealed record YardLine(Datum Datum, double FrontMm, double RearMm)
{
    /// <summary>The line of a stance; null while an end is not read.</summary>
    public static YardLine? Of(WalkRoundStance? stance)
    {
        return Mean(Axle.Front) is { } front && Mean(Axle.Rear) is { } rear
            ? new YardLine(stance!.Datum, front, rear)
            : null;

        double? Mean(Axle axle)
        {
            var lips = Corners
                .Of(axle)
                .Select(c => stance?.At(c.Name())?.Height.Value)
                .OfType<double>()
                .ToArray();
            return lips.Length == 0 ? null : lips.Average();
        }
    }
}

/// <summary>Facts of a job for the yard: no words, no units, nothing that depends on who reads or when.</summary>
public sealed record YardFacts
{
    /// <summary>What needs a person next.</summary>
    public required Need Need { get; init; }

    /// <summary>Name of the owner.</summary>
    [Personal]
    public required string Owner { get; init; }

    /// <summary>The vehicle, as it is drawn.</summary>
    public required YardVehicle Vehicle { get; init; }

    /// <summary>The day on which it is promised.</summary>
    public DateOnly? PromisedOn { get; init; }

    /// <summary>Whether it is handed over.</summary>
    public required bool HandedOver { get; init; }

    /// <summary>Where and when it is booked; null where it is not, or is handed over.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public YardBooking? Booked { get; init; }

    /// <summary>How it stood as it was found; null while nothing was done.</summary>
    public required YardLine? Before { get; init; }

    /// <summary>How it stands now.</summary>
    public required YardLine? Now { get; init; }

    /// <summary>Follow-ups to come, the earliest first.</summary>
    public required IReadOnlyList<ToCome> FollowUps { get; init; }

    /// <summary>Derives the facts of a job.</summary>
    public static YardFacts Of(JobDocument d, JobResults results)
    {
        var first = d.FirstStage();
        var current = d.CurrentStage();
        var before = first is null ? null : JobEvaluator.Speaks(results.WalkRounds, first.Id);
        var now = current is null ? null : JobEvaluator.Speaks(results.WalkRounds, current.Id);
        return new YardFacts
        {
            Need = Need.Of(d, results),
            Owner = d.Owner.Name,
            Vehicle = new YardVehicle(
                d.Vehicle.Make,
                d.Vehicle.Name,
                d.Vehicle.Plate,
                d.Vehicle.Vin,
                d.Vehicle.Kind,
                d.Vehicle.Dimensions,
                d.Vehicle.TyreSize
            ),
            PromisedOn = d.Job.PromisedOn,
            HandedOver = d.Job.HandedOverAt is not null,
            Booked =
                d.Job.HandedOverAt is null && d.Booked() is { } booked
                    ? new YardBooking(booked.Bay, booked.Day, booked.From)
                    : null,
            Before = before?.WalkRoundId == now?.WalkRoundId ? null : YardLine.Of(before),
            Now = YardLine.Of(now),
            FollowUps =
            [
                .. d
                    .FollowUps.Where(f => f.DoneAt is null)
                    .OrderBy(f => f.DueOn ?? DateOnly.MaxValue)
                    .Select(f => new ToCome(f.Id, f.What, f.DueOn, f.DueAt)),
            ],
        };
    }

    /// <summary>Whether nothing of the job needs a person any more.</summary>
    public bool IsClosed() => Need.Kind == NeedKind.Binned || (HandedOver && FollowUps.Count == 0);

    /// <summary>The day by which something is due; the last of all days where none is known.</summary>
    public DateOnly Due() =>
        (
            HandedOver
                ? FollowUps.Select(f => f.DueOn).FirstOrDefault(d => d is not null)
                : PromisedOn
        ) ?? DateOnly.MaxValue;
}
