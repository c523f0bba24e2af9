using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Nokko.Storage.Configurations;

internal sealed class ExerciseTable : IEntityTypeConfiguration<Exercise>
{
    public void Configure(EntityTypeBuilder<Exercise> table)
    {
        table.OfShop("exercises").Edited();
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(Exercise.PersonId), nameof(Exercise.StartedAt));
    }
}

internal sealed class DrillEntryTable : IEntityTypeConfiguration<DrillEntry>
{
    public void Configure(EntityTypeBuilder<DrillEntry> table)
    {
        table.OfShop("drill_entries");
        table.HasIndex(NokkoDb.ShopIdColumn, nameof(DrillEntry.PersonId), nameof(DrillEntry.At));
    }
}
