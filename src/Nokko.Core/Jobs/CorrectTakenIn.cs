using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Corrects what was written down of owner, vehicle and job when it was taken in.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the job's row as it was seen.</param>
/// <param name="VehicleVersion">Version of the vehicle's row as it was seen.</param>
/// <param name="OwnerVersion">Version of the owner's row as it was seen.</param>
/// <param name="OwnerName">Name of the owner.</param>
/// <param name="OwnerContact">How to reach the owner.</param>
/// <param name="Make">Make.</param>
/// <param name="Name">Model.</param>
/// <param name="Plate">Plate; this or the VIN is needed.</param>
/// <param name="Vin">VIN.</param>
/// <param name="Engine">Engine.</param>
/// <param name="Drive">Drive.</param>
/// <param name="Carries">What it carries and tows.</param>
/// <param name="Troubles">Known troubles.</param>
/// <param name="Wish">The owner's words.</param>
/// <param name="PromisedOn">Day for which it is promised.</param>
/// <param name="Odometer">Odometer when it came.</param>
/// <param name="Equipment">What it is lifted with.</param>
/// <param name="Variant">What tells the vehicle from others of its platform; null leaves it as it is.</param>
/// <param name="NewOwnerId">Says that it is another owner's, of the name that is typed, and is that owner's key should nobody of the name be known; null corrects the name of the one whose it is.</param>
/// <param name="PlatformId">The platform; null leaves it as it is.</param>
/// <param name="Sort">What sort of vehicle; null leaves it as it is.</param>
/// <param name="BodyKind">How the body is carried; null leaves it as it is.</param>
/// <param name="StageVersion">Version of the row that says how it stands, as it was seen.</param>
/// <param name="Fitted">What was fitted when it came; null leaves it as it is.</param>
/// <remarks>An owner and a vehicle may have other jobs: they are corrected there too.</remarks>
public sealed record CorrectTakenIn(
    Guid CommandId,
    uint Version,
    uint VehicleVersion,
    uint OwnerVersion,
    [property: Personal] string OwnerName,
    [property: Personal] string? OwnerContact,
    string Make,
    string Name,
    [property: Personal] string? Plate,
    [property: Personal] string? Vin,
    string? Engine,
    string? Drive,
    string? Carries,
    string? Troubles,
    string? Wish,
    DateOnly? PromisedOn,
    QuantityInput? Odometer,
    Equipment Equipment,
    VariantInput? Variant = null,
    Guid? NewOwnerId = null,
    Guid? PlatformId = null,
    VehicleKind? Sort = null,
    BodyKind? BodyKind = null,
    uint? StageVersion = null,
    IReadOnlyList<FittedInput>? Fitted = null
) : JobCommand(CommandId)
{
    /// <summary>As the history says it.</summary>
    public const string Said = "take-in corrected";

    /// <inheritdoc/>
    public override string Does() => Said;

    /// <inheritdoc/>
    public override Guid? PlatformNamed() => PlatformId;

    /// <inheritdoc/>
    public override string? OwnerNamed() => NewOwnerId is null ? null : TypedText.Blank(OwnerName);

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        Refuse.AllAtOnce([
            () => TakeIn.Mark(Plate, Vin),
            () => QuantityInput.Read(Odometer, "odometer", Unit.Km),
            ReadOwner,
            () => TakeIn.ReadMake(Make),
            () => TakeIn.ReadName(Name),
            () => TypedText.Lines(Wish, "wish"),
            () => TypedText.Lines(Carries, "carries"),
            () => TypedText.Lines(Troubles, "troubles"),
            .. (Fitted ?? []).Select((f, i) => (Func<object?>)(() => f.Read(i))),
        ]);
        var (plate, vin) = TakeIn.Mark(Plate, Vin);
        var odometer = QuantityInput.Read(Odometer, "odometer", Unit.Km);
        if (
            odometer is not null
            && d.Job.OdometerOut is { } gone
            && gone.In(Unit.Km) < odometer.In(Unit.Km)
        )
        {
            throw Refuse.Value("odometer", "It was handed over with less on the odometer.");
        }
        var platform = Platform(work);
        Change(
            work,
            d.Vehicle,
            VehicleVersion,
            VariantInput.On(
                Sorted(d.Vehicle) with
                {
                    OwnerId = Owner(work),
                    PlatformId = platform.Id,
                    BodyKind = BodyKind ?? d.Vehicle.BodyKind,
                    Make = TakeIn.ReadMake(Make),
                    Name = TakeIn.ReadName(Name),
                    Plate = plate,
                    Vin = vin,
                },
                platform,
                Variant,
                Engine,
                Drive
            )
        );
        Change(
            work,
            d.Job,
            Version,
            d.Job with
            {
                StageId = Fitted is null ? d.Job.StageId : Came(work, Fitted),
                Wish = TypedText.Lines(Wish, "wish"),
                Carries = TypedText.Lines(Carries, "carries"),
                Troubles = TypedText.Lines(Troubles, "troubles"),
                PromisedOn = PromisedOn,
                // The same reading stays the one that was written down, with how it was known.
                OdometerIn =
                    odometer?.In(Unit.Km) == d.Job.OdometerIn?.In(Unit.Km)
                        ? d.Job.OdometerIn
                        : odometer,
                Equipment = Equipment,
            }
        );
    }

    private string ReadOwner() => TakeIn.ReadOwner(OwnerName);

    /// <summary>Whose it is: the same owner, by another name, or another one.</summary>
    private Guid Owner(JobWork work)
    {
        var was = work.Document.Owner;
        var contact = TypedText.Blank(OwnerContact);
        if (NewOwnerId is not { } key || work.Context.OwnerNamed?.Id == was.Id)
        {
            Change(work, was, OwnerVersion, was with { Name = ReadOwner(), Contact = contact });
            return was.Id;
        }
        Owner whose;
        if (work.Context.OwnerNamed is { } known)
        {
            // What nobody typed anew stays as it is known.
            whose = known with
            {
                Contact = contact ?? known.Contact,
            };
            if (whose != known)
            {
                work.Replace(known, whose);
            }
        }
        else
        {
            whose = new Owner
            {
                Id = key,
                Name = ReadOwner(),
                Contact = contact,
            };
            work.Add(whose);
        }
        work.Edit(was, OwnerVersion, whose);
        return whose.Id;
    }

    private Platform Platform(JobWork work)
    {
        var was = work.Document.Platform;
        if (PlatformId is not { } id || id == was.Id)
        {
            return was;
        }
        var now =
            work.Context.PlatformNamed
            ?? throw Refuse.Value("platformId", "Choose the platform from the shop's list.");
        work.Replace(was, now);
        return now;
    }

    /// <summary>The vehicle as another sort: what nobody told of its sizes is what usually goes with that.</summary>
    private Vehicle Sorted(Vehicle was)
    {
        if (Sort is not { } sort || sort == was.Kind)
        {
            return was;
        }
        var sizes = VehicleDefaults.Fill(was.Dimensions.Told(), sort);
        return was with
        {
            Kind = sort,
            Dimensions = sizes,
            TyreSize =
                was.TyreKnown == Known.Estimated ? VehicleDefaults.TyreSize(sort) : was.TyreSize,
            Stations = SetSizes.Stations(was.Stations, sizes, sort),
        };
    }

    /// <summary>Puts right how it stood when it came, with the plans that start from there, and gives the stage's key.</summary>
    private Guid Came(JobWork work, IReadOnlyList<FittedInput> fitted)
    {
        var d = work.Document;
        var came = d.Stages.First(s => s.Id == d.Job.StageId);
        var stacks = FittedInput.Stacks(fitted, came.Stacks);
        if (
            Corners.All.All(c =>
                CornerStack.At(came.Stacks, c).SequenceEqual(CornerStack.At(stacks, c))
            )
        )
        {
            return came.Id;
        }
        if (d.CurrentStage()?.Id != came.Id || d.Job.HandedOverAt is not null)
        {
            throw Refuse.Gate(
                "fitted",
                "Work was begun on what was there: what came off and what stands there now is told in the plan."
            );
        }
        var now = came with { Stacks = stacks };
        if (came.JobId == d.Job.Id)
        {
            work.Edit(came, StageVersion, now);
        }
        else
        {
            // The record of the earlier job stays: somebody fitted something since.
            now = now with
            {
                Id = work.NewKey(),
                JobId = d.Job.Id,
                Ordinal = came.Ordinal + 1,
                Name = TakeIn.FoundAgain,
                OpenedAt = work.Now,
            };
            work.Seen(came, StageVersion);
            work.Add(now);
            foreach (var round in d.OwnRounds())
            {
                work.Replace(round, round with { StageId = now.Id });
            }
        }
        foreach (var plan in d.DraftPlans())
        {
            work.Replace(
                plan,
                plan with
                {
                    FromStageId = now.Id,
                    Stacks = Planned(plan.Stacks, came.Stacks, now.Stacks),
                }
            );
        }
        return now.Id;
    }

    /// <summary>What a plan wants on what really was there: what it takes off and moves it takes off and moves, what nobody knew of stays on.</summary>
    private static IReadOnlyList<CornerStack> Planned(
        IReadOnlyList<CornerStack> plan,
        IReadOnlyList<CornerStack> thought,
        IReadOnlyList<CornerStack> there
    )
    {
        var (stood, wanted) = (Placed(thought), Placed(plan));
        var stands = Placed(there);
        return [.. Corners.All.Select(c => new CornerStack { Corner = c, Parts = [.. At(c)] })];

        IEnumerable<PlacedPart> At(Corner corner) =>
            CornerStack
                .At(there, corner)
                .Where(p => !stood.TryGetValue(p.Id, out var was) || Stays(p.Id, was.Corner))
                .Concat(
                    CornerStack
                        .At(plan, corner)
                        .Select(p =>
                            !stood.TryGetValue(p.Id, out var was) ? p
                            : was.Corner == corner ? null
                            : stands.GetValueOrDefault(p.Id).Part
                        )
                        .OfType<PlacedPart>()
                );

        bool Stays(Guid part, Corner at) =>
            wanted.TryGetValue(part, out var where) && where.Corner == at;

        static Dictionary<Guid, (Corner Corner, PlacedPart Part)> Placed(
            IEnumerable<CornerStack> stacks
        ) =>
            stacks
                .SelectMany(s => s.Parts.Select(p => (s.Corner, Part: p)))
                .ToDictionary(p => p.Part.Id);
    }

    /// <summary>A row that stays as it is meets nobody else's change.</summary>
    private static void Change<T>(JobWork work, T was, uint seen, T now)
        where T : class, IRow
    {
        if (!now.Equals(was))
        {
            work.Edit(was, seen, now);
        }
    }
}
