using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Begins a walk-round at a stage.</summary>
public sealed record BeginWalkRound(
    Guid CommandId,
    Guid Id,
    Guid StageId,
    RoundConditionsInput Conditions
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "walk-round begun";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (d.Stages.All(s => s.Id != StageId))
        {
            throw Refuse.Value("stageId", "This job has no such stage.");
        }
        var round = Conditions.Apply(
            new WalkRound
            {
                Id = Id,
                StageId = StageId,
                JobId = d.Job.Id,
                Datum = Conditions.Datum,
                Division = Conditions.Division(),
                Settled = Conditions.Settled,
                PersonId = work.PersonId,
                At = work.Now,
            },
            d.Vehicle
        );
        work.Add(round.Order.Count > 0 ? round : round with { Order = Walk(d) });
        if (Conditions.Walk is { } walk && ChosenWalk(d) != walk.ToString())
        {
            work.Add(
                new SchoolChoice
                {
                    Id = work.NewKey(),
                    School = WalkingOrders.School,
                    Choice = walk.ToString(),
                    PersonId = work.PersonId,
                }
            );
        }
    }

    /// <summary>The stations of the round with which this one will be compared; of the first round, the way of walking.</summary>
    private IReadOnlyList<string> Walk(JobDocument d)
    {
        var last = d.WalkRounds.Where(w => w.Order.Count > 0).MaxBy(w => w.At);
        if (Conditions.Walk is null && last is not null)
        {
            return last.Order;
        }
        var walk =
            Conditions.Walk
            ?? (
                Enum.TryParse<WalkingOrder>(ChosenWalk(d), out var chosen)
                    ? chosen
                    : WalkingOrder.LeftSideBack
            );
        return [.. WalkingOrders.Sort(d.Vehicle.Stations, walk).Select(s => s.Name)];
    }

    private static string? ChosenWalk(JobDocument d) =>
        d.Schools.LastOrDefault(s => s.School == WalkingOrders.School)?.Choice;
}

/// <summary>Changes the conditions of a walk-round.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The walk-round.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Conditions">The conditions.</param>
public sealed record SetConditions(
    Guid CommandId,
    Guid Id,
    uint Version,
    RoundConditionsInput Conditions
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "conditions of a walk-round changed";

    internal override void Decide(JobWork work)
    {
        var vehicle = work.Document.Vehicle;
        var round = ReadingRules.RoundOf(work.Document, Id);
        var changed = Conditions.Apply(round, vehicle);
        work.Edit(
            round,
            Version,
            Conditions is { Walk: { } walk, Order: null }
                ? changed with
                {
                    Order =
                    [
                        .. WalkingOrders
                            .Sort(
                                vehicle.Stations.Where(s =>
                                    round.Order.Count == 0 || round.Order.Contains(s.Name)
                                ),
                                walk
                            )
                            .Select(s => s.Name),
                    ],
                }
                : changed
        );
    }
}

/// <summary>Places a station that is measured beside or instead of the usual six.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the vehicle that was seen.</param>
/// <param name="Name">Name.</param>
/// <param name="XMm">Forward of the front axle, mm.</param>
/// <param name="YMm">To the left of the middle, mm.</param>
/// <param name="Carrier">What the station sits on.</param>
/// <param name="Edge">The edge that is hooked.</param>
/// <param name="WalkRoundId">The walk-round that shall walk there too.</param>
public sealed record PlaceStation(
    Guid CommandId,
    uint Version,
    string Name,
    double XMm,
    double YMm,
    Carrier Carrier,
    string? Edge,
    Guid? WalkRoundId
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "station placed";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var name = TypedText.Blank(Name) ?? "";
        if (name.Length is 0 or > 40)
        {
            throw Refuse.Value("name", "Give the place a short name, for example “tow eye”.");
        }
        if (!(Math.Abs(XMm) <= 20_000) || !(Math.Abs(YMm) <= 5_000))
        {
            throw Refuse.Value("place", "That place is not on the vehicle.");
        }
        var station = new Station
        {
            Name = name,
            X = Quantity.Mm(XMm, Known.Estimated),
            Y = Quantity.Mm(YMm, Known.Estimated),
            Carrier = Carrier,
            Edge = TypedText.Blank(Edge),
        };
        var there = d.Vehicle.Stations.Any(s => s.Name == name);
        work.Edit(
            d.Vehicle,
            Version,
            d.Vehicle with
            {
                Stations = there
                    ? [.. d.Vehicle.Stations.Select(s => s.Name == name ? station : s)]
                    : [.. d.Vehicle.Stations, station],
            }
        );
        if (
            d.WalkRounds.FirstOrDefault(w => w.Id == WalkRoundId) is { Order.Count: > 0 } round
            && !round.Order.Contains(name)
        )
        {
            work.Replace(round, round with { Order = [.. round.Order, name] });
        }
    }
}

/// <summary>A standard height as a document gives it.</summary>
public sealed record StandardHeightInput(Guid Id, string Station, QuantityInput Height);

/// <summary>Notes the heights of the vehicle as it left the works: a stage before all others that never decides.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="StageId">Key of the stage.</param>
/// <param name="WalkRoundId">The walk-round.</param>
/// <param name="Datum">The datum.</param>
/// <param name="Heights">The heights.</param>
/// <param name="Source">Where they come from.</param>
public sealed record NoteStandard(
    Guid CommandId,
    Guid StageId,
    Guid WalkRoundId,
    Datum Datum,
    IReadOnlyList<StandardHeightInput> Heights,
    string Source
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "standard heights noted";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (d.Stages.FirstOrDefault(s => s.Ordinal < 0) is { } there)
        {
            throw Refuse.Conflict(
                "",
                "The standard heights of this vehicle are noted already.",
                there.Id,
                there
            );
        }
        var source = TypedText.Needed(
            Source,
            "source",
            "Say where the standard heights come from."
        );
        var heights = Heights
            .Select(h => (h.Id, h.Station, Value: Read(d, h)))
            .Where(h => h.Value is not null)
            .ToArray();
        if (heights.Length == 0)
        {
            throw Refuse.Value("heights", "No height is given.");
        }
        var first = d.Stages.MinBy(s => s.Ordinal)!;
        work.Add(
            new Stage
            {
                Id = StageId,
                VehicleId = d.Vehicle.Id,
                JobId = d.Job.Id,
                Front = first.Front,
                Rear = first.Rear,
                Ordinal = -1,
                Name = "standard",
                OpenedAt = work.Now,
                Stacks = [],
            }
        );
        work.Add(
            new WalkRound
            {
                Id = WalkRoundId,
                StageId = StageId,
                JobId = d.Job.Id,
                Datum = Datum,
                Division = Quantity.Mm(1, Known.Told),
                Settled = Settled.Rolled,
                FromDocument = true,
                Notes = source,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
        foreach (var (id, station, value) in heights)
        {
            work.Add(
                new Reading
                {
                    Id = id,
                    WalkRoundId = WalkRoundId,
                    Kind = ReadingKind.Height,
                    Place = new Place { Kind = PlaceKind.Station, Name = station },
                    From = Datum,
                    Value = value! with { Known = Known.Document },
                    PersonId = work.PersonId,
                    TakenAt = work.Now,
                    StoredAt = work.Now,
                }
            );
        }
    }

    private static Quantity? Read(JobDocument d, StandardHeightInput h)
    {
        ReadingRules.KnownStation(d, h.Station);
        return QuantityInput.Read(h.Height, $"heights.{h.Station}", Unit.Mm);
    }
}

/// <summary>Notes which side of an axle looks lower, before a lean is explained. Two people who look at two axles both succeed; the later look at one counts.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The walk-round.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Looks">What the eye sees; null takes it out.</param>
public sealed record NoteLook(Guid CommandId, Guid Id, Axle Axle, Looks? Looks)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "how it looks noted";

    internal override void Decide(JobWork work)
    {
        var round = ReadingRules.RoundOf(work.Document, Id);
        work.Replace(
            round,
            Axle == Axle.Front
                ? round with
                {
                    LooksFront = Looks,
                }
                : round with
                {
                    LooksRear = Looks,
                }
        );
    }
}
