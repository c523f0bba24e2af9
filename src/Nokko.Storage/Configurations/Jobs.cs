using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Storage.Configurations;

internal sealed class JobTable : IEntityTypeConfiguration<Job>
{
    public void Configure(EntityTypeBuilder<Job> table)
    {
        table.OfShop("jobs").Edited();
        table
            .HasOne<Vehicle>()
            .WithMany()
            .HasForeignKey(j => j.VehicleId)
            .OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class StageTable : IEntityTypeConfiguration<Stage>
{
    public void Configure(EntityTypeBuilder<Stage> table)
    {
        table.OfJob("stages");
        table
            .HasOne<Vehicle>()
            .WithMany()
            .HasForeignKey(s => s.VehicleId)
            .OnDelete(DeleteBehavior.Restrict);
        table.HasIndex(s => new { s.VehicleId, s.Ordinal }).IsUnique();
    }
}

internal sealed class PlanTable : IEntityTypeConfiguration<Plan>
{
    public void Configure(EntityTypeBuilder<Plan> table)
    {
        table.OfJob("plans").Edited();
    }
}

internal sealed class FrozenPredictionTable : IEntityTypeConfiguration<FrozenPrediction>
{
    public void Configure(EntityTypeBuilder<FrozenPrediction> table)
    {
        table.OfJob("frozen_predictions");
        // One for a plan: proof never meets a prediction made after the result was known.
        table.HasIndex(f => f.PlanId).IsUnique();
    }
}

internal sealed class JobEvidenceTable : IEntityTypeConfiguration<JobEvidence>
{
    public void Configure(EntityTypeBuilder<JobEvidence> table)
    {
        table.OfShop("job_evidence");
        table.HasOne<Job>().WithOne().HasForeignKey<JobEvidence>(e => e.Id);
        table.HasIndex(e => e.PlatformId);
    }
}

internal sealed class PartTable : IEntityTypeConfiguration<Part>
{
    public void Configure(EntityTypeBuilder<Part> table)
    {
        table.OfShop("parts").Edited();
    }
}

internal sealed class KitTable : IEntityTypeConfiguration<Kit>
{
    public void Configure(EntityTypeBuilder<Kit> table)
    {
        table.OfJob("kits");
    }
}

internal sealed class SchoolChoiceTable : IEntityTypeConfiguration<SchoolChoice>
{
    public void Configure(EntityTypeBuilder<SchoolChoice> table) => table.OfJob("school_choices");
}

internal sealed class AttachmentTable : IEntityTypeConfiguration<Attachment>
{
    public void Configure(EntityTypeBuilder<Attachment> table) => table.OfJob("attachments");
}

internal sealed class StoredFileTable : IEntityTypeConfiguration<StoredFile>
{
    public void Configure(EntityTypeBuilder<StoredFile> table)
    {
        table.OfShop("files");
        table.HasKey(NokkoDb.ShopIdColumn, nameof(StoredFile.Sha256));
    }
}

internal sealed class HistoryTable : IEntityTypeConfiguration<HistoryEntry>
{
    public void Configure(EntityTypeBuilder<HistoryEntry> table)
    {
        table.OfJob("commands");
        // json, not jsonb: a command is kept as it was sent, to the letter.
        table.Property(h => h.Body).HasColumnType("json");
        table.Property(h => h.Replaced).HasColumnType("json");
    }
}
