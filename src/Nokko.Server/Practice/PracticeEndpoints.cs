using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>The practice bay: exercises, what they show, and what they came to.</summary>
internal static partial class PracticeEndpoints
{
    /// <summary>Exercises of one's own that are listed.</summary>
    private const int MostOwn = 30;

    /// <summary>Weeks that are shown.</summary>
    private const int MostWeeks = 8;

    /// <summary>Exercises from which those are told.</summary>
    private const int MostHandedIn = 500;

    public static void Map(RouteGroupBuilder api)
    {
        var practice = api.MapGroup("/practice");
        practice.MapGet("", Home);
        practice.MapPost("", Begin);
        practice.MapGet("/{exercise:guid}", Show);
        practice.MapPost("/{exercise:guid}/acts", Act);
        practice.MapGet("/{exercise:guid}/tape", Tape);
        practice.MapPost("/{exercise:guid}/hand-in", HandIn);
        practice.MapGet("/{exercise:guid}/score", Score);
    }

    private static async Task<Ok<PracticeHome>> Home(
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        var best = await db
            .Exercises.Where(e => e.PersonId == me.PersonId && e.Points != null)
            .GroupBy(e => new { e.Course, e.Level })
            .Select(g => new { g.Key, Points = g.Max(e => e.Points) })
            .ToListAsync(cancel);
        var mine = await db
            .Exercises.Where(e => e.PersonId == me.PersonId)
            .OrderByDescending(e => e.StartedAt)
            .Take(MostOwn)
            .Select(e => new
            {
                e.Id,
                e.Course,
                e.Level,
                e.StartedAt,
                e.HandedInAt,
                e.Points,
            })
            .ToListAsync(cancel);
        var done = await DrillEndpoints.Done(db, me.PersonId, cancel);
        var drills = DrillAgain.Of(done);
        var handedIn = await db
            .Exercises.Where(e => e.PersonId == me.PersonId && e.HandedInAt != null)
            .OrderByDescending(e => e.StartedAt)
            .Take(MostHandedIn)
            .Select(e => new ExerciseDone(e.HandedInAt!.Value, e.Points ?? 0))
            .ToListAsync(cancel);
        return TypedResults.Ok(
            new PracticeHome(
                [
                    .. CourseRule.All.Select(c => new CourseView(
                        c,
                        [
                            .. Enumerable
                                .Range(1, CourseRule.Levels)
                                .Select(l =>
                                    best.FirstOrDefault(b =>
                                        b.Key.Course == c.Of && b.Key.Level == l
                                    )?.Points
                                ),
                        ]
                    )),
                ],
                drills,
                [.. drills.Select(d => Drill.TitleOf(d.Kind))],
                PracticeWeek.All(done, handedIn, MostWeeks),
                [
                    .. mine.Select(e => new ExerciseLine(
                        e.Id,
                        e.Course,
                        CourseRule.For(e.Course).Title,
                        e.Level,
                        e.StartedAt,
                        e.HandedInAt,
                        e.Points
                    )),
                ],
                me.Role == PersonRole.Owner ? await OfShop(db, me, cancel) : null,
                CourseRule.Passes
            )
        );
    }

    /// <summary>The highest level that each of the shop has passed, by course.</summary>
    private static async Task<IReadOnlyList<Passed>> OfShop(
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        var rows = await db
            .Exercises.Where(e => e.Points >= CourseRule.Passes)
            .GroupBy(e => new
            {
                e.PersonId,
                e.Course,
                e.Level,
            })
            .Select(g => new
            {
                g.Key,
                Points = g.Max(e => e.Points),
                At = g.Max(e => e.HandedInAt),
            })
            .ToListAsync(cancel);
        var people = await db
            .Users.AsNoTracking()
            .Where(a => a.ShopId == me.ShopId && a.RemovedAt == null)
            .ToDictionaryAsync(a => a.Id, a => (a.PersonName, a.Role), cancel);
        return
        [
            .. rows.Where(r => people.ContainsKey(r.Key.PersonId))
                .GroupBy(r => (r.Key.PersonId, r.Key.Course))
                .Select(g => g.MaxBy(r => r.Key.Level)!)
                .Select(r => new Passed(
                    people[r.Key.PersonId].PersonName,
                    people[r.Key.PersonId].Role,
                    r.Key.Course,
                    r.Key.Level,
                    r.Points!.Value,
                    r.At!.Value
                ))
                .OrderBy(p => p.Person, StringComparer.Ordinal)
                .ThenBy(p => p.Course),
        ];
    }

    private static async Task<Results<Ok<Begun>, ProblemHttpResult>> Begin(
        ExerciseInput body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(body.Course) || body.Level is < 1 or > CourseRule.Levels)
        {
            return Trouble.At("level", "There is no such level.").Answer();
        }
        if (body.Id == Guid.Empty)
        {
            return Trouble.At("id", "An exercise has a key.").Answer();
        }
        var now = Instants.ToMicroseconds(clock.GetUtcNow());
        var key = PracticeKey.Of(body.Id);
        if (await db.Exercises.AnyAsync(e => e.Id == key, cancel))
        {
            return TypedResults.Ok(new Begun(key));
        }
        JobDocument job;
        HiddenTruth truth;
        IReadOnlyList<Part> shelf;
        if (body.Course == Course.OwnJob)
        {
            if (body.FromJob is not { } from || await db.LoadDocument(from, cancel) is not { } done)
            {
                return Trouble.Missing("There is no such job in this shop.").Answer();
            }
            var parts = await db
                .Parts.AsNoTracking()
                .OrderBy(p => p.Id)
                .Take(2000)
                .ToListAsync(cancel);
            var (made, whyNot) = OwnJob.Of(done, key, parts, Guid.CreateVersion7, now);
            if (made is null)
            {
                return Trouble.Gate("fromJob", whyNot!).Answer();
            }
            (job, truth, shelf) = (made.Job, made.Truth, made.Shelf);
        }
        else
        {
            truth = HiddenTruth.Draw(
                body.Seed ?? Random.Shared.Next(1_000_000),
                body.Level,
                body.Course
            );
            shelf = PracticeStart.Shelf(body.Level);
            job = PracticeStart.Job(key, truth, shelf, now);
        }
        db.ChangeTracker.Clear();
        var settings = await db
            .Shops.Where(s => s.Id == me.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        // Whole or not at all.
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        db.Put(
            new Exercise
            {
                Id = key,
                PersonId = me.PersonId,
                Course = body.Course,
                Level = body.Level,
                Truth = truth,
                Shelf = shelf,
                StartedAt = now,
            }
        );
        await db.SaveChangesAsync(cancel);
        db.ShopId = key;
        db.Shops.Add(
            new Shop
            {
                Id = key,
                Name = "Practice bay",
                PracticeOf = me.ShopId,
                Settings = settings,
            }
        );
        await db.SaveChangesAsync(cancel);
        foreach (var part in shelf)
        {
            db.Put(part);
        }
        db.PutJob(job, new HashSet<Guid>());
        await db.SaveNew(key, cancel);
        await transaction.CommitAsync(CancellationToken.None);
        return TypedResults.Ok(new Begun(key));
    }
}
