using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>What a shop asks of an apprentice before a hold point counts.</summary>
internal static class ApprenticeLevel
{
    /// <summary>The level of practice that the shop asks of an apprentice and that is not passed; null of all others, and in the practice bay.</summary>
    public static async Task<int?> LevelToPass(
        this NokkoDb db,
        SignedIn me,
        Guid job,
        CancellationToken cancel
    )
    {
        if (me.Role != PersonRole.Apprentice || PracticeKey.Is(job))
        {
            return null;
        }
        var settings = await db
            .Shops.Where(s => s.Id == db.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        return
            settings.ApprenticeLevel is { } level
            && !await db.Exercises.AnyAsync(
                e =>
                    e.PersonId == me.PersonId
                    && e.Course == Course.Level
                    && e.Level >= level
                    && e.Points >= CourseRule.Passes,
                cancel
            )
            ? level
            : null;
    }
}
