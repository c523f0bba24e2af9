using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Vehicles;

namespace Nokko.Storage.Configurations;

internal sealed class ShopTable : IEntityTypeConfiguration<Shop>
{
    public void Configure(EntityTypeBuilder<Shop> table) => table.ToTable("shops");
}

internal sealed class AccountTable : IEntityTypeConfiguration<Account>
{
    public void Configure(EntityTypeBuilder<Account> table)
    {
        table.ToTable("accounts");
        table.HasOne<Shop>().WithMany().HasForeignKey(a => a.ShopId);
    }
}

internal sealed class PersonOnJobTable : IEntityTypeConfiguration<PersonOnJob>
{
    public void Configure(EntityTypeBuilder<PersonOnJob> table)
    {
        table.OfJob("people_on_jobs");
        table.HasKey(NokkoDb.JobIdColumn, nameof(PersonOnJob.Id));
        table.Property(p => p.Id).ValueGeneratedNever();
    }
}

internal sealed class OwnerTable : IEntityTypeConfiguration<Owner>
{
    public void Configure(EntityTypeBuilder<Owner> table) => table.OfShop("owners").Edited();
}

internal sealed class PlatformTable : IEntityTypeConfiguration<Platform>
{
    public void Configure(EntityTypeBuilder<Platform> table)
    {
        table.OfShop("platforms");
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(Platform.Name)).IsUnique();
    }
}

internal sealed class VehicleTable : IEntityTypeConfiguration<Vehicle>
{
    public void Configure(EntityTypeBuilder<Vehicle> table)
    {
        table.OfShop("vehicles").Edited();
        // The latest of a platform, for what they offer to its next job.
        table.HasIndex(v => new { v.PlatformId, v.Id });
        // The suspension belongs to the stage.
        table.Ignore(v => v.Front);
        table.Ignore(v => v.Rear);
        table
            .HasOne<Owner>()
            .WithMany()
            .HasForeignKey(v => v.OwnerId)
            .OnDelete(DeleteBehavior.Restrict);
        table
            .HasOne<Platform>()
            .WithMany()
            .HasForeignKey(v => v.PlatformId)
            .OnDelete(DeleteBehavior.Restrict);
    }
}
