using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>What a shop asks of an apprentice before a hold point or heights count.</summary>
internal static class ApprenticeLevel
{
    /// <summary>The level of practice that the shop asks of its apprentices, where one of the commands asks for it; null in the practice bay, and where nobody has to pass one.</summary>
    public static async Task<LevelAsked?> LevelAsked(
        this NokkoDb db,
        SignedIn me,
        Guid job,
        IReadOnlyList<JobCommand> commands,
        CancellationToken cancel
    )
    {
        var counts =
            commands.Any(c => c is HandOver)
            || (me.Role == PersonRole.Apprentice && commands.Any(c => c is DoStep));
        if (!counts || PracticeKey.Is(job))
        {
            return null;
        }
        var settings = await db
            .Shops.Where(s => s.Id == db.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        if (settings.ApprenticeLevel is not { } level)
        {
            return null;
        }
        var notPassed = await db
            .Users.Where(a =>
                a.ShopId == db.ShopId
                && a.Role == PersonRole.Apprentice
                && !db.Exercises.Any(e =>
                    e.PersonId == a.Id
                    && e.Course == Course.Level
                    && e.Level >= level
                    && e.Points >= CourseRule.Passes
                )
            )
            .Select(a => a.Id)
            .ToListAsync(cancel);
        return notPassed.Count == 0 ? null : new LevelAsked(level, notPassed.ToHashSet());
    }
}
