using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Nokko.Core.Plans;
using Nokko.Core.WalkRounds;

namespace Nokko.Storage.Configurations;

internal sealed class WalkRoundTable : IEntityTypeConfiguration<WalkRound>
{
    public void Configure(EntityTypeBuilder<WalkRound> table)
    {
        table.OfVehicle("walk_rounds").Edited();
        table.HasIndex(w => w.JobId);
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
        table.OfVehicle("readings");
        table
            .HasOne<WalkRound>()
            .WithMany()
            .HasForeignKey(r => r.WalkRoundId)
            .OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class InstrumentTable : IEntityTypeConfiguration<Instrument>
{
    public void Configure(EntityTypeBuilder<Instrument> table) =>
        table.OfShop("instruments").Edited();
}
