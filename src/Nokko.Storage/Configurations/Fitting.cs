using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Fitting;
using Nokko.Core.Proof;

namespace Nokko.Storage.Configurations;

internal sealed class JointTable : IEntityTypeConfiguration<Joint>
{
    public void Configure(EntityTypeBuilder<Joint> table)
    {
        table.OfVehicle("joints").Edited();
    }
}

internal sealed class TorqueEntryTable : IEntityTypeConfiguration<TorqueEntry>
{
    public void Configure(EntityTypeBuilder<TorqueEntry> table)
    {
        table.OfJob("torque_entries");
        table
            .HasOne<Joint>()
            .WithMany()
            .HasForeignKey(t => t.JointId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class OffLineTable : IEntityTypeConfiguration<OffLine>
{
    public void Configure(EntityTypeBuilder<OffLine> table)
    {
        table.OfJob("off_lines");
    }
}

internal sealed class StepEntryTable : IEntityTypeConfiguration<StepEntry>
{
    public void Configure(EntityTypeBuilder<StepEntry> table)
    {
        table.OfJob("step_entries");
        table.HasIndex(s => new { s.PlanId, s.Step }).IsUnique();
        table.HasIndex(NokkoDb.ShopIdColumn);
        // The latest of the shop, from which it learns how long such steps take.
        table
            .HasIndex(NokkoDb.ShopIdColumn, nameof(StepEntry.At))
            .HasFilter("usual is not null")
            .HasDatabaseName("ix_steps_timed");
    }
}

internal sealed class SupportEntryTable : IEntityTypeConfiguration<SupportEntry>
{
    public void Configure(EntityTypeBuilder<SupportEntry> table)
    {
        table.OfJob("supports");
    }
}

internal sealed class MarkTable : IEntityTypeConfiguration<Mark>
{
    public void Configure(EntityTypeBuilder<Mark> table) => table.OfJob("marks");
}

internal sealed class OrientationTable : IEntityTypeConfiguration<Orientation>
{
    public void Configure(EntityTypeBuilder<Orientation> table) => table.OfJob("orientations");
}

internal sealed class DeviationTable : IEntityTypeConfiguration<Deviation>
{
    public void Configure(EntityTypeBuilder<Deviation> table) => table.OfJob("deviations");
}

internal sealed class CutTable : IEntityTypeConfiguration<Cut>
{
    public void Configure(EntityTypeBuilder<Cut> table) => table.OfJob("cuts");
}

internal sealed class LookTable : IEntityTypeConfiguration<Look>
{
    public void Configure(EntityTypeBuilder<Look> table)
    {
        table.OfJob("looks");
        table
            .HasOne<Joint>()
            .WithMany()
            .HasForeignKey(l => l.JointId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class CheckedCauseTable : IEntityTypeConfiguration<CheckedCause>
{
    public void Configure(EntityTypeBuilder<CheckedCause> table)
    {
        table.OfJob("checked_causes");
        table
            .HasIndex(NokkoDb.ShopIdColumn, nameof(CheckedCause.At))
            .IsDescending(false, true)
            .HasFilter("was_it")
            .HasDatabaseName("ix_checked_causes_found");
    }
}

internal sealed class OwnStepTable : IEntityTypeConfiguration<OwnStep>
{
    public void Configure(EntityTypeBuilder<OwnStep> table) => table.OfJob("own_steps");
}

internal sealed class ShopWaysTable : IEntityTypeConfiguration<ShopWays>
{
    public void Configure(EntityTypeBuilder<ShopWays> table)
    {
        table.OfShop("shop_ways").Edited();
        table.HasIndex(NokkoDb.ShopIdColumn).IsUnique();
    }
}

internal sealed class TipTable : IEntityTypeConfiguration<Tip>
{
    public void Configure(EntityTypeBuilder<Tip> table) => table.OfShop("tips");
}

internal sealed class PromisedTable : IEntityTypeConfiguration<Promised>
{
    public void Configure(EntityTypeBuilder<Promised> table) => table.OfJob("promises");
}

internal sealed class FollowUpTable : IEntityTypeConfiguration<FollowUp>
{
    public void Configure(EntityTypeBuilder<FollowUp> table)
    {
        table.OfJob("follow_ups");
        table.HasIndex(NokkoDb.ShopIdColumn);
        // What is to come, for the calendar: done follow-ups grow for ever, these do not.
        table
            .HasIndex(NokkoDb.ShopIdColumn, nameof(FollowUp.DueOn))
            .HasFilter("done_at is null")
            .HasDatabaseName("ix_follow_ups_to_come");
    }
}
