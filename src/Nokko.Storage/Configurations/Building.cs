using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using Nokko.Core.Jobs;

namespace Nokko.Storage.Configurations;

/// <summary>What every table has in common.</summary>
internal static class Building
{
    /// <summary>A table of rows that belong to a shop.</summary>
    public static EntityTypeBuilder<T> OfShop<T>(this EntityTypeBuilder<T> table, string name)
        where T : class
    {
        table.ToTable(name);
        table.Property<Guid>(NokkoDb.ShopIdColumn);
        table
            .HasOne<Shop>()
            .WithMany()
            .HasForeignKey(NokkoDb.ShopIdColumn)
            .OnDelete(DeleteBehavior.Cascade);
        return table;
    }

    /// <summary>A table of rows that belong to a job of a shop.</summary>
    public static EntityTypeBuilder<T> OfJob<T>(this EntityTypeBuilder<T> table, string name)
        where T : class
    {
        table.OfShop(name);
        table.Property<Guid>(NokkoDb.JobIdColumn);
        table
            .HasOne<Core.Plans.Job>()
            .WithMany()
            .HasForeignKey(NokkoDb.JobIdColumn)
            .OnDelete(DeleteBehavior.Cascade);
        return table;
    }

    /// <summary>A table of rows that belong to a vehicle of a shop and outlive the job.</summary>
    public static EntityTypeBuilder<T> OfVehicle<T>(this EntityTypeBuilder<T> table, string name)
        where T : class
    {
        table.OfShop(name);
        table.Property<Guid>(NokkoDb.VehicleIdColumn);
        table
            .HasOne<Core.Vehicles.Vehicle>()
            .WithMany()
            .HasForeignKey(NokkoDb.VehicleIdColumn)
            .OnDelete(DeleteBehavior.Cascade);
        return table;
    }

    /// <summary>A row that is edited: a stale save answers with both versions.</summary>
    public static EntityTypeBuilder<T> Edited<T>(this EntityTypeBuilder<T> table)
        where T : class
    {
        table.Property<uint>(NokkoDb.VersionColumn).IsRowVersion();
        return table;
    }
}

/// <summary>A value kept as one jsonb document, written as everywhere in Nokko.</summary>
internal sealed class AsJson<T>()
    : ValueConverter<T, string>(
        value => JsonSerializer.Serialize(value, JobJson.Options),
        text => JsonSerializer.Deserialize<T>(text, JobJson.Options)!
    );

/// <summary>Documents are equal when they are written alike.</summary>
internal sealed class SameJson<T>()
    : ValueComparer<T>(
        (a, b) =>
            JsonSerializer.Serialize(a, JobJson.Options)
            == JsonSerializer.Serialize(b, JobJson.Options),
        value =>
            JsonSerializer.Serialize(value, JobJson.Options).GetHashCode(StringComparison.Ordinal),
        value => value
    );
