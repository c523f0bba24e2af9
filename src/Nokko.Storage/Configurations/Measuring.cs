using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Plans;
using Nokko.Core.WalkRounds;

namespace Nokko.Storage.Configurations;

internal sealed class WalkRoundTable : IEntityTypeConfiguration<WalkRound>
{
    public void Configure(EntityTypeBuilder<WalkRound> table)
    {
        table.OfJob("walk_rounds").Edited();
        table
            .HasOne<Stage>()
            .WithMany()
            .HasForeignKey(w => w.StageId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class ReadingTable : IEntityTypeConfiguration<Reading>
{
    public void Configure(EntityTypeBuilder<Reading> table)
    {
        table.OfJob("readings");
        table
            .HasOne<WalkRound>()
            .WithMany()
            .HasForeignKey(r => r.WalkRoundId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}
