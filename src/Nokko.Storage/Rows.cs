using Microsoft.AspNetCore.Identity;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;

namespace Nokko.Storage;

/// <summary>A fitting shop.</summary>
public sealed class Shop
{
    public required Guid Id { get; init; }
    public required string Name { get; set; }
}

/// <summary>Somebody who signs in. The key of the account is the key of the person in jobs.</summary>
public sealed class Account : IdentityUser<Guid>
{
    public required Guid ShopId { get; init; }
    public required string PersonName { get; set; }

    /// <summary>"in" or "mm".</summary>
    public string LengthUnit { get; set; } = "in";
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

/// <summary>What a job has proved of lift lines: worked out from the job whenever it changes, kept so that other jobs need not be read for it.</summary>
public sealed record JobEvidence
{
    /// <summary>Key of the job.</summary>
    public required Guid Id { get; init; }
    public required Guid PlatformId { get; init; }
    public required IReadOnlyList<JobTrial> Trials { get; set; }
}
