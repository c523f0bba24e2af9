using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.Week;

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
        table.HasIndex(NokkoDb.ShopIdColumn);
        // Those that are open, for week and calendar: the promised ones first.
        table
            .HasIndex(NokkoDb.ShopIdColumn, nameof(Job.PromisedOn), nameof(Job.Id))
            .HasFilter("handed_over_at is null")
            .HasDatabaseName("ix_jobs_open");
    }
}

internal sealed class StageTable : IEntityTypeConfiguration<Stage>
{
    public void Configure(EntityTypeBuilder<Stage> table)
    {
        table.OfVehicle("stages").Edited();
        table.HasIndex(s => new { s.VehicleId, s.Ordinal }).IsUnique();
        table.HasIndex(s => s.JobId);
    }
}

internal sealed class PlanTable : IEntityTypeConfiguration<Plan>
{
    public void Configure(EntityTypeBuilder<Plan> table)
    {
        table.OfJob("plans").Edited();
        table.HasIndex(NokkoDb.ShopIdColumn);
        // Those that are wanted next, for what the shelf owes to others.
        table
            .HasIndex([NokkoDb.ShopIdColumn], "ix_plans_wanted")
            .HasFilter("chosen and to_stage_id is null");
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
        table
            .HasOne<Job>()
            .WithOne()
            .HasForeignKey<JobEvidence>(e => e.Id)
            .OnDelete(DeleteBehavior.Cascade);
        table.Property(e => e.Id).ValueGeneratedNever();
        table.HasIndex(e => e.Rules);
    }
}

internal sealed class KeptTrialTable : IEntityTypeConfiguration<KeptTrial>
{
    public void Configure(EntityTypeBuilder<KeptTrial> table)
    {
        table.OfShop("lift_trials");
        table.HasKey(t => new { t.PlanId, t.Axle });
        table.HasOne<Job>().WithMany().HasForeignKey(t => t.JobId).OnDelete(DeleteBehavior.Cascade);
        table.HasIndex(t => t.VehicleId);
        // The evidence page goes through them by time.
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(KeptTrial.At));
    }
}

internal sealed class KeptSettledTable : IEntityTypeConfiguration<KeptSettled>
{
    public void Configure(EntityTypeBuilder<KeptSettled> table)
    {
        table.OfShop("settled_springs");
        table.HasKey(s => new { s.PlanId, s.Axle });
        table.HasOne<Job>().WithMany().HasForeignKey(s => s.JobId).OnDelete(DeleteBehavior.Cascade);
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(KeptSettled.SpringOf), nameof(KeptSettled.At));
    }
}

internal sealed class JobYearTable : IEntityTypeConfiguration<JobYear>
{
    public void Configure(EntityTypeBuilder<JobYear> table)
    {
        table.OfShop("job_years");
        table
            .HasOne<Job>()
            .WithOne()
            .HasForeignKey<JobYear>(y => y.Id)
            .OnDelete(DeleteBehavior.Cascade);
        table.Property(y => y.Id).ValueGeneratedNever();
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(JobYear.HandedOverAt));
    }
}

internal sealed class KeptSumsTable : IEntityTypeConfiguration<KeptSums>
{
    public void Configure(EntityTypeBuilder<KeptSums> table)
    {
        table.OfShop("lift_sums").Edited();
        table
            .HasIndex(s => new
            {
                s.PlatformId,
                s.Axle,
                s.Suspension,
                s.Family,
            })
            .IsUnique();
    }
}

internal sealed class PartTable : IEntityTypeConfiguration<Part>
{
    public void Configure(EntityTypeBuilder<Part> table)
    {
        table.OfShop("parts").Edited();
    }
}

internal sealed class StockMoveTable : IEntityTypeConfiguration<StockMove>
{
    public void Configure(EntityTypeBuilder<StockMove> table)
    {
        table.OfShop("stock_moves");
        table.HasIndex(m => new { m.PartId, m.At });
    }
}

internal sealed class KitTable : IEntityTypeConfiguration<Kit>
{
    public void Configure(EntityTypeBuilder<Kit> table)
    {
        table.OfJob("kits").Edited();
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

internal sealed class RoadTestTable : IEntityTypeConfiguration<RoadTest>
{
    public void Configure(EntityTypeBuilder<RoadTest> table) => table.OfJob("road_tests").Edited();
}

internal sealed class QuoteTable : IEntityTypeConfiguration<Quote>
{
    public void Configure(EntityTypeBuilder<Quote> table) => table.OfJob("quotes");
}

internal sealed class BookingTable : IEntityTypeConfiguration<Booking>
{
    public void Configure(EntityTypeBuilder<Booking> table)
    {
        table.OfJob("bookings").Edited();
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(Booking.Day));
        // Once for each job, whoever comes at the same moment.
        table.HasIndex(NokkoDb.JobIdColumn).IsUnique();
    }
}

internal sealed class JobWorkloadTable : IEntityTypeConfiguration<JobWorkload>
{
    public void Configure(EntityTypeBuilder<JobWorkload> table)
    {
        table.OfShop("job_workloads");
        table
            .HasOne<Job>()
            .WithOne()
            .HasForeignKey<JobWorkload>(w => w.Id)
            .OnDelete(DeleteBehavior.Cascade);
        table.Property(w => w.Id).ValueGeneratedNever();
    }
}

internal sealed class SignatureTable : IEntityTypeConfiguration<Signature>
{
    public void Configure(EntityTypeBuilder<Signature> table) => table.OfJob("signatures");
}

internal sealed class SharedAddressTable : IEntityTypeConfiguration<SharedAddress>
{
    public void Configure(EntityTypeBuilder<SharedAddress> table)
    {
        table.ToTable("shared_addresses");
        table.Property(a => a.Id).ValueGeneratedNever();
        table.HasIndex(a => a.Hash).IsUnique();
        table.HasOne<Shop>().WithMany().HasForeignKey(a => a.ShopId);
        table.HasOne<Job>().WithMany().HasForeignKey(a => a.JobId).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class StoredFileTable : IEntityTypeConfiguration<StoredFile>
{
    public void Configure(EntityTypeBuilder<StoredFile> table)
    {
        table.OfShop("files");
        table.HasKey(NokkoDb.ShopIdColumn, nameof(StoredFile.Sha256));
    }
}

internal sealed class StoredCommandTable : IEntityTypeConfiguration<StoredCommand>
{
    public void Configure(EntityTypeBuilder<StoredCommand> table)
    {
        table.OfShop("commands");
        table.HasOne<Job>().WithMany().HasForeignKey(c => c.JobId).OnDelete(DeleteBehavior.Cascade);
        table.HasIndex(c => c.TakesBack);
        table.Property(c => c.Body).HasColumnType("json");
    }
}

internal sealed class JobSummaryTable : IEntityTypeConfiguration<JobSummary>
{
    public void Configure(EntityTypeBuilder<JobSummary> table)
    {
        table.OfShop("job_summaries");
        table
            .HasOne<Job>()
            .WithOne()
            .HasForeignKey<JobSummary>(s => s.Id)
            .OnDelete(DeleteBehavior.Cascade);
        table.Property(s => s.Id).ValueGeneratedNever();
        table
            .Property(s => s.Words)
            .HasComputedColumnSql("to_tsvector('simple', search)", stored: true);
        table.HasIndex(s => s.Words).HasMethod("gin");
        table.HasIndex(s => s.Search).HasMethod("gin").HasOperators("gin_trgm_ops");
        table.HasIndex(
            NokkoDb.ShopIdColumn,
            nameof(JobSummary.Closed),
            nameof(JobSummary.Due),
            nameof(JobSummary.Id)
        );
    }
}
