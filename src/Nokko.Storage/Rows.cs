using Microsoft.AspNetCore.Identity;
using Nokko.Core.Evidence;

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
