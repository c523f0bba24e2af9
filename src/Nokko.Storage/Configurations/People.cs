using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Jobs;
using Nokko.Core.Vehicles;

namespace Nokko.Storage.Configurations;

internal sealed class ShopTable : IEntityTypeConfiguration<Shop>
{
    public void Configure(EntityTypeBuilder<Shop> table)
    {
        table.ToTable("shops");
        table.Edited();
        // Who was there before there were settings has settled nothing.
        table.Property(s => s.Settings).HasDefaultValueSql("'{}'");
    }
}

internal sealed class AccountTable : IEntityTypeConfiguration<Account>
{
    public void Configure(EntityTypeBuilder<Account> table)
    {
        table.ToTable("accounts");
        table.HasOne<Shop>().WithMany().HasForeignKey(a => a.ShopId);
        // Who was there before there were roles owned the shop.
        table
            .Property(a => a.Role)
            .HasDefaultValue(PersonRole.Owner)
            .HasSentinel((PersonRole)(-1));
    }
}

internal sealed class DeviceTable : IEntityTypeConfiguration<Device>
{
    public void Configure(EntityTypeBuilder<Device> table)
    {
        table.ToTable("devices");
        table.Property(d => d.Id).ValueGeneratedNever();
        table
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(d => d.AccountId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class OneTimeLinkTable : IEntityTypeConfiguration<OneTimeLink>
{
    public void Configure(EntityTypeBuilder<OneTimeLink> table)
    {
        table.ToTable("one_time_links");
        table.Property(l => l.Id).ValueGeneratedNever();
        table.HasIndex(l => l.Hash).IsUnique();
        table.HasOne<Shop>().WithMany().HasForeignKey(l => l.ShopId);
        table
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(l => l.AccountId)
            .OnDelete(DeleteBehavior.Cascade);
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
