using Microsoft.AspNetCore.Identity;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.Year;

namespace Nokko.Storage;

/// <summary>A fitting shop.</summary>
public sealed class Shop
{
    public required Guid Id { get; init; }
    public required string Name { get; set; }

    /// <summary>What it has settled once.</summary>
    public ShopSettings Settings { get; set; } = ShopSettings.Usual;

    /// <summary>The shop whose people practise in it; null of a shop that is one.</summary>
    public Guid? PracticeOf { get; init; }
}

/// <summary>Somebody who signs in. The key of the account is the key of the person in jobs.</summary>
public sealed class Account : IdentityUser<Guid>
{
    public required Guid ShopId { get; init; }
    public required string PersonName { get; set; }

    /// <summary>"in" or "mm".</summary>
    public string LengthUnit { get; set; } = "in";

    /// <summary>What the person may do.</summary>
    public PersonRole Role { get; set; } = PersonRole.Fitter;

    /// <summary>When the person left the shop; null while there. The name stays on the record of jobs.</summary>
    public DateTimeOffset? RemovedAt { get; set; }
}

/// <summary>A device on which somebody signed in: the sign-in ends when this row says so, whatever its cookie says.</summary>
public sealed class Device
{
    public required Guid Id { get; init; }
    public required Guid AccountId { get; init; }

    /// <summary>What it calls itself, in a few words.</summary>
    public required string Said { get; init; }
    public required DateTimeOffset SignedInAt { get; init; }
    public required DateTimeOffset SeenAt { get; set; }
    public DateTimeOffset? EndedAt { get; set; }
}

/// <summary>A link that works once: it makes a colleague, or lets one choose another password.</summary>
public sealed class OneTimeLink
{
    public required Guid Id { get; init; }
    public required Guid ShopId { get; init; }

    /// <summary>SHA-256 of what stands in the link; the link itself is kept nowhere.</summary>
    public required string Hash { get; init; }

    /// <summary>Role of the colleague that it makes.</summary>
    public required PersonRole Role { get; init; }

    /// <summary>Whose password it changes; null makes a colleague.</summary>
    public Guid? AccountId { get; init; }
    public required Guid MadeBy { get; init; }
    public required DateTimeOffset MadeAt { get; init; }
    public required DateTimeOffset EndsAt { get; init; }
    public DateTimeOffset? UsedAt { get; set; }
}

/// <summary>What a shared address opens.</summary>
public enum SharedThing
{
    /// <summary>The shop's calendar of what is to come.</summary>
    Calendar,

    /// <summary>The record of a job.</summary>
    Record,

    /// <summary>The quote of a job, to be chosen from.</summary>
    Quote,
}

/// <summary>An address that opens one thing without signing in, until it ends or is taken back.</summary>
public sealed class SharedAddress
{
    public required Guid Id { get; init; }
    public required Guid ShopId { get; init; }

    /// <summary>SHA-256 of what stands in the address; the address itself is kept nowhere.</summary>
    public required string Hash { get; init; }
    public required SharedThing Opens { get; init; }

    /// <summary>The job of a record or quote; null of a calendar.</summary>
    public Guid? JobId { get; init; }

    /// <summary>Whether plates and VINs are shown.</summary>
    public bool Plates { get; init; }

    /// <summary>Whether owners' names and contacts are shown.</summary>
    public bool Owners { get; init; }

    /// <summary>Whether photographs are shown.</summary>
    public bool Pictures { get; init; }

    /// <summary>How lengths are written.</summary>
    public required string LengthUnit { get; init; }
    public required Guid MadeBy { get; init; }
    public required DateTimeOffset MadeAt { get; init; }

    /// <summary>When it ends; null holds until it is taken back.</summary>
    public DateTimeOffset? EndsAt { get; init; }

    /// <summary>When it was asked for last.</summary>
    public DateTimeOffset? SeenAt { get; set; }
}

/// <summary>A person named in a job, with the name as it was then.</summary>
public sealed record PersonOnJob
{
    public required Guid Id { get; init; }
    public required string Name { get; init; }
}

/// <summary>A command that was carried out, with what it changed: what taking it back needs.</summary>
public sealed record StoredCommand
{
    public required Guid Id { get; init; }

    /// <summary>The job; null for a command on the shop.</summary>
    public Guid? JobId { get; init; }
    public required string Kind { get; init; }
    public required Guid PersonId { get; init; }
    public required DateTimeOffset At { get; init; }
    public Guid? TakesBack { get; init; }

    /// <summary>SHA-256 of what was sent, so that a repeat is told from another command of the same key; null for history that came with a file.</summary>
    public string? Hash { get; init; }

    /// <summary>What was sent, without what says who somebody is; null for history that came with a file.</summary>
    public string? Body { get; init; }

    /// <summary>What it changed, likewise.</summary>
    public IReadOnlyList<RecordedChange>? Changes { get; init; }

    /// <summary>The row of a line of history.</summary>
    /// <param name="line">The line.</param>
    /// <param name="job">The job; null for a command on the shop.</param>
    /// <param name="sent">What was sent and what it changed; null for history that came with a file.</param>
    public static StoredCommand Of(
        HistoryEntry line,
        Guid? job,
        (string Hash, string Body, IReadOnlyList<RowChange> Changes)? sent
    ) =>
        new()
        {
            Id = line.Id,
            JobId = job,
            Kind = line.Kind,
            PersonId = line.PersonId,
            At = line.At,
            TakesBack = line.TakesBack,
            Hash = sent?.Hash,
            Body = sent?.Body,
            Changes = sent is { } s ? [.. s.Changes.Select(RecordedChange.Of)] : null,
        };
}

/// <summary>A job in one row: what the yard shows and orders by, written with each change.</summary>
public sealed record JobSummary
{
    /// <summary>Key of the job.</summary>
    public required Guid Id { get; init; }

    /// <summary>How many times the job was changed.</summary>
    public required long Revision { get; init; }

    /// <summary>Whether nothing of it needs a person any more.</summary>
    public required bool Closed { get; init; }

    /// <summary>The day by which something is due; the last of all days where none is known.</summary>
    public required DateOnly Due { get; init; }

    /// <summary>What is searched: owner, phone, plate, VIN and vehicle, in lower case.</summary>
    public required string Search { get; init; }

    /// <summary>Its words, by whose beginnings it is found; kept by the database itself.</summary>
    public NpgsqlTypes.NpgsqlTsVector Words { get; init; } = null!;

    /// <summary>Facts from which its words and its drawing are made.</summary>
    public required YardFacts Facts { get; init; }

    /// <summary>What a job is searched by.</summary>
    public static string SearchText(JobDocument d) =>
        string.Join(
                ' ',
                new[]
                {
                    d.Owner.Name,
                    d.Owner.Contact,
                    d.Vehicle.Plate,
                    d.Vehicle.Vin,
                    d.Vehicle.Make,
                    d.Vehicle.Name,
                }.Where(t => !string.IsNullOrWhiteSpace(t))
            )
            .ToLowerInvariant();
}

/// <summary>Content of an attachment, stored once a shop by its SHA-256.</summary>
public sealed record StoredFile
{
    public required string Sha256 { get; init; }
    public required byte[] Content { get; init; }
}

/// <summary>Says by which rules it was worked out what a job has proved of lift lines.</summary>
public sealed record JobEvidence
{
    /// <summary>Rules by which trials are worked out now. A change of them is one more: what was kept by earlier ones is worked out anew, behind.</summary>
    public const int CurrentRules = 2;

    /// <summary>Key of the job.</summary>
    public required Guid Id { get; init; }

    /// <summary>The rules; zero for what must be worked out anew.</summary>
    public required int Rules { get; set; }
}

/// <summary>What of a job is still to be done, in one row: what the week is made from, written with each change.</summary>
public sealed record JobWorkload
{
    /// <summary>Key of the job.</summary>
    public required Guid Id { get; init; }

    /// <summary>What is left.</summary>
    public required Workload Load { get; init; }
}

/// <summary>What a job that is handed over adds to the shop's year, in one row.</summary>
public sealed record JobYear
{
    /// <summary>Key of the job.</summary>
    public required Guid Id { get; init; }

    /// <summary>When it was handed over.</summary>
    public required DateTimeOffset HandedOverAt { get; init; }

    /// <summary>What it adds.</summary>
    public required YearFacts Facts { get; init; }
}

/// <summary>How far an axle of a job came down, in a row: what springs like its own are learned from.</summary>
public sealed record KeptSettled
{
    public required Guid PlanId { get; init; }
    public required Axle Axle { get; init; }
    public required Guid JobId { get; init; }
    public required string Name { get; init; }
    public required bool IsNew { get; init; }
    public Guid? SpringOf { get; init; }
    public LiftFamily? Family { get; init; }
    public required DateTimeOffset At { get; init; }
    public required double Km { get; init; }
    public required double Mm { get; init; }
    public required double UMm { get; init; }

    /// <summary>Its weight in the mean of all vehicles, mm⁻².</summary>
    public required double Weight { get; init; }

    /// <summary>The row of what a job showed.</summary>
    public static KeptSettled Of(Guid job, JobSettled s) =>
        new()
        {
            PlanId = s.PlanId,
            Axle = s.Axle,
            JobId = job,
            Name = s.Name,
            IsNew = s.IsNew,
            SpringOf = s.Spring?.Of,
            Family = s.Spring?.Family,
            At = s.At,
            Km = s.Km,
            Mm = s.Mm,
            UMm = s.U,
            Weight = SpringSettling.Weight(
                new SettledTrial(s.Spring ?? default, s.Mm, s.U),
                s.IsNew
            ),
        };
}

/// <summary>One trial of a job in a row: what it teaches in numbers, or why nothing. The vehicle's name is not copied into it.</summary>
public sealed record KeptTrial
{
    public required Guid PlanId { get; init; }
    public required Axle Axle { get; init; }
    public required Guid JobId { get; init; }
    public required Guid VehicleId { get; init; }
    public required Guid PlatformId { get; init; }
    public required SuspensionKind Suspension { get; init; }
    public required LiftFamily Family { get; init; }
    public required int Ordinal { get; init; }
    public required DateTimeOffset At { get; init; }
    public required IReadOnlyList<string> Parts { get; init; }
    public double? ClaimMm { get; init; }
    public double? PredictedMm { get; init; }
    public double? PredictedUMm { get; init; }
    public double? MeasuredMm { get; init; }
    public double? MeasuredUMm { get; init; }
    public double? ThicknessMm { get; init; }
    public double? FreeRiseMm { get; init; }
    public double? FreeRiseUMm { get; init; }
    public double? ForetoldRatio { get; init; }
    public bool? IsNew { get; init; }
    public string? WhyNot { get; init; }

    /// <summary>The trial with its line; null when it teaches nothing.</summary>
    public TaughtTrial? Taught() =>
        this
            is {
                ThicknessMm: { } t,
                FreeRiseMm: { } h,
                FreeRiseUMm: { } u,
                ForetoldRatio: { } r,
                IsNew: { } isNew
            }
            ? new(
                new LineKey(PlatformId, Axle, Suspension, Family),
                Ordinal,
                new LiftTrial(t, h, u, r, isNew)
            )
            : null;

    /// <summary>The row of what a job proved.</summary>
    public static KeptTrial Of(JobTrial t) =>
        new()
        {
            PlanId = t.PlanId,
            Axle = t.Axle,
            JobId = t.JobId,
            VehicleId = t.VehicleId,
            PlatformId = t.PlatformId,
            Suspension = t.Suspension,
            Family = t.Family,
            Ordinal = t.Ordinal,
            At = t.At,
            Parts = t.Parts,
            ClaimMm = t.Claim.Value,
            PredictedMm = t.Predicted.Value,
            PredictedUMm = t.Predicted.U,
            MeasuredMm = t.Measured.Value,
            MeasuredUMm = t.Measured.U,
            ThicknessMm = t.Trial?.ThicknessMm,
            FreeRiseMm = t.Trial?.FreeRiseMm,
            FreeRiseUMm = t.Trial?.FreeRiseUMm,
            ForetoldRatio = t.Trial?.ForetoldRatio,
            IsNew = t.Trial?.IsNew,
            WhyNot = t.WhyNot,
        };
}

/// <summary>What all vehicles of a platform have taught of one lift line, as sums: changed by adding when a vehicle's trials change.</summary>
public sealed record KeptSums : IRow
{
    public required Guid Id { get; init; }
    public required Guid PlatformId { get; init; }
    public required Axle Axle { get; init; }
    public required SuspensionKind Suspension { get; init; }
    public required LiftFamily Family { get; init; }
    public required int Trials { get; init; }
    public required int Vehicles { get; init; }

    /// <summary>Numbers for each spread of the grid.</summary>
    public required double[] Values { get; init; }

    /// <summary>The line.</summary>
    public LineKey Line() => new(PlatformId, Axle, Suspension, Family);

    /// <summary>The sums.</summary>
    public LiftSums Sums() => new(Trials, Vehicles, Values);
}
