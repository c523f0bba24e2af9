using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>The practice bay: exercises, what they show, and what they came to.</summary>
internal static class PracticeEndpoints
{
    /// <summary>Exercises of one's own that are listed.</summary>
    private const int MostOwn = 30;

    /// <summary>Weeks that are shown.</summary>
    private const int MostWeeks = 8;

    /// <summary>Exercises from which those are told.</summary>
    private const int MostHandedIn = 500;

    /// <summary>What begins an exercise.</summary>
    /// <param name="Id">Key of the request: sent again it begins nothing new.</param>
    /// <param name="Course">The course.</param>
    /// <param name="Level">1 to 3.</param>
    /// <param name="Seed">Draws the vehicle of this seed; null draws any.</param>
    /// <param name="FromJob">A finished job of the shop, of an exercise from own jobs.</param>
    internal sealed record ExerciseInput(
        Guid Id,
        Course Course,
        int Level = 1,
        int? Seed = null,
        Guid? FromJob = null
    );

    /// <summary>An exercise that was begun.</summary>
    internal sealed record Begun(Guid Id);

    /// <summary>A look or what puts right, as it is sent.</summary>
    internal sealed record ActInput(Guid Id, LookAt At, bool Mends);

    /// <summary>A look as the learner has it.</summary>
    /// <param name="At">The look.</param>
    /// <param name="Says">What is done.</param>
    /// <param name="Minutes">Minutes that it takes.</param>
    /// <param name="Shows">What it showed; null while nobody looked.</param>
    /// <param name="Mend">What puts it right, where it showed something that can be; null where not, and once it is.</param>
    /// <param name="MendMinutes">Minutes of that.</param>
    /// <param name="Mended">Whether it was put right.</param>
    internal sealed record LookView(
        LookAt At,
        string Says,
        int Minutes,
        string? Shows,
        string? Mend,
        int MendMinutes,
        bool Mended
    );

    /// <summary>An exercise while it is worked on.</summary>
    /// <param name="Id">Key.</param>
    /// <param name="Title">Name of its course.</param>
    /// <param name="Level">Its level.</param>
    /// <param name="Task">What is to be done.</param>
    /// <param name="Mine">Whether it is the asker's own.</param>
    /// <param name="HandedIn">Whether it was handed in.</param>
    /// <param name="Spent">Hours and money so far.</param>
    /// <param name="Looks">Where can be looked.</param>
    /// <param name="PassedOver">Hold points that were passed over, and what would have happened.</param>
    internal sealed record ExerciseView(
        Guid Id,
        string Title,
        int Level,
        string Task,
        bool Mine,
        bool HandedIn,
        PracticeSpent Spent,
        IReadOnlyList<LookView> Looks,
        IReadOnlyList<WouldHaveHappened> PassedOver
    );

    /// <summary>What an exercise came to.</summary>
    /// <param name="Id">Key.</param>
    /// <param name="Person">Who did it.</param>
    /// <param name="Title">Name of its course.</param>
    /// <param name="Level">Its level.</param>
    /// <param name="Seed">Its seed: the same vehicle can be had again; null of an own job.</param>
    /// <param name="Course">Its course.</param>
    /// <param name="HandedInAt">When it was handed in.</param>
    /// <param name="Score">The score.</param>
    /// <param name="Spent">Hours and money that it took.</param>
    /// <param name="Came">What was really fitted and came, of an own job.</param>
    /// <param name="Best">The best run, step by step.</param>
    internal sealed record ScoreView(
        Guid Id,
        string Person,
        string Title,
        int Level,
        int? Seed,
        Course Course,
        DateTimeOffset HandedInAt,
        PracticeScore Score,
        PracticeSpent Spent,
        string? Came,
        IReadOnlyList<BestStep> Best
    );

    /// <summary>A course, and how far somebody came in it.</summary>
    /// <param name="Rule">The course.</param>
    /// <param name="Points">Best points by level, from the first; null where none was handed in.</param>
    internal sealed record CourseView(CourseRule Rule, IReadOnlyList<double?> Points);

    /// <summary>An exercise in a list.</summary>
    internal sealed record ExerciseLine(
        Guid Id,
        Course Course,
        string Title,
        int Level,
        DateTimeOffset StartedAt,
        DateTimeOffset? HandedInAt,
        double? Points
    );

    /// <summary>What somebody of the shop has passed.</summary>
    internal sealed record Passed(
        string Person,
        PersonRole Role,
        Course Course,
        int Level,
        double Points,
        DateTimeOffset At
    );

    /// <summary>The practice bay as somebody comes in.</summary>
    /// <param name="Courses">The courses.</param>
    /// <param name="Drills">When each drill is best done again.</param>
    /// <param name="DrillTitles">What drills are called, in the same order.</param>
    /// <param name="Weeks">What was practised in the last weeks in which it was, the latest first.</param>
    /// <param name="Mine">Own exercises, the latest first.</param>
    /// <param name="Shop">What people of the shop have passed; null for all but its owner.</param>
    /// <param name="Passes">Least points with which a level is passed.</param>
    internal sealed record PracticeHome(
        IReadOnlyList<CourseView> Courses,
        IReadOnlyList<DrillAgain> Drills,
        IReadOnlyList<string> DrillTitles,
        IReadOnlyList<PracticeWeek> Weeks,
        IReadOnlyList<ExerciseLine> Mine,
        IReadOnlyList<Passed>? Shop,
        double Passes
    );

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

    /// <summary>An exercise of this shop with its job; the job's rows are those of the exercise's own shop.</summary>
    private static async Task<(Exercise Exercise, JobDocument Job)?> Open(
        Guid key,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        if (await db.Exercises.FirstOrDefaultAsync(e => e.Id == key, cancel) is not { } exercise)
        {
            return null;
        }
        db.ShopId = key;
        var job = await db.LoadDocument(key, cancel);
        db.ShopId = me.ShopId;
        return job is null ? null : (exercise, job);
    }

    private static PracticeRun RunOf((Exercise Exercise, JobDocument Job) of) =>
        new(of.Exercise.Truth, of.Job, of.Exercise.Acts, of.Exercise.Shelf, of.Exercise.StartedAt);

    private static Trouble None() => Trouble.Missing("There is no such exercise in this shop.");

    private static async Task<Results<Ok<ExerciseView>, ProblemHttpResult>> Show(
        Guid exercise,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    ) =>
        await Open(exercise, db, me, cancel) is { } of
            ? TypedResults.Ok(ViewOf(of, me))
            : None().Answer();

    private static ExerciseView ViewOf((Exercise Exercise, JobDocument Job) of, SignedIn me)
    {
        var (exercise, job) = of;
        var run = RunOf(of);
        var rule = CourseRule.For(exercise.Course);
        return new ExerciseView(
            exercise.Id,
            rule.Title,
            exercise.Level,
            rule.Task,
            exercise.PersonId == me.PersonId,
            exercise.HandedInAt is not null,
            run.Spent(),
            exercise.Course == Course.OwnJob
                ? []
                : [.. LookRule.All.Select(l => LookOf(l, exercise, job))],
            [.. run.PassedOver().Select(WouldHaveHappened.Of)]
        );
    }

    private static LookView LookOf(LookRule rule, Exercise exercise, JobDocument job)
    {
        var looked = exercise.Acts.Any(a => a.At == rule.At && !a.Mends);
        var mended = exercise.Acts.Any(a => a.At == rule.At && a.Mends);
        var fault = exercise.Truth.Faults.FirstOrDefault(f =>
            f.Of == rule.Finds
            && (LookRule.CauseOf(f.Of) is null || job.CurrentStage()!.Ordinal > 0)
        );
        return new LookView(
            rule.At,
            rule.Says,
            rule.Minutes,
            !looked ? null
                : fault is null ? rule.Clear
                : LookRule.Found(fault),
            looked && fault is not null && !mended ? rule.Mend : null,
            rule.MendMinutes,
            mended
        );
    }

    private static async Task<Results<Ok<ExerciseView>, ProblemHttpResult>> Act(
        Guid exercise,
        ActInput body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(body.At) || body.Id == Guid.Empty)
        {
            return Trouble.At("at", "There is nothing of that kind to look at.").Answer();
        }
        for (var left = 3; ; left--)
        {
            db.ChangeTracker.Clear();
            if (await Open(exercise, db, me, cancel) is not { } of)
            {
                return None().Answer();
            }
            if (WhyNot(of.Exercise, me) is { } why)
            {
                return why.Answer();
            }
            if (
                of.Exercise.Acts.Any(a =>
                    a.Id == body.Id || (a.At == body.At && a.Mends == body.Mends)
                )
            )
            {
                // Looked once is looked; twice pressed is once.
                return TypedResults.Ok(ViewOf(of, me));
            }
            if (body.Mends && LookOf(LookRule.Of(body.At), of.Exercise, of.Job).Mend is null)
            {
                return Trouble
                    .Gate("mends", "Look first: nothing is known there to be put right.")
                    .Answer();
            }
            of.Exercise.Acts =
            [
                .. of.Exercise.Acts,
                new PracticeAct(
                    body.Id,
                    body.At,
                    body.Mends,
                    Instants.ToMicroseconds(clock.GetUtcNow())
                ),
            ];
            try
            {
                await db.SaveChangesAsync(CancellationToken.None);
                return TypedResults.Ok(ViewOf(of, me));
            }
            catch (DbUpdateConcurrencyException) when (left > 1)
            {
                // Another page of the same learner looked at the same time: with what it found, again.
            }
        }
    }

    private static Trouble? WhyNot(Exercise exercise, SignedIn me) =>
        exercise.PersonId != me.PersonId
            ? new Trouble(
                StatusCodes.Status403Forbidden,
                "",
                "This is somebody else’s exercise: you can look on."
            )
        : exercise.HandedInAt is not null
            ? Trouble.Gate("", "It is handed in. Begin the same vehicle again from its score.")
        : null;

    private static async Task<Results<Ok<TapeView>, ProblemHttpResult>> Tape(
        Guid exercise,
        Guid round,
        string station,
        string from,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel,
        int? eye = null,
        bool hooked = false
    )
    {
        if (!Enum.TryParse<Datum>(from, true, out var datum))
        {
            return Trouble.At("from", "Hub, floor or edge of the rim.").Answer();
        }
        if (await Open(exercise, db, me, cancel) is not { } of)
        {
            return None().Answer();
        }
        if (of.Job.WalkRounds.FirstOrDefault(w => w.Id == round) is not { } walked)
        {
            return Trouble.Missing("This job has no such walk-round.").Answer();
        }
        var run = RunOf(of);
        return
            run.Vehicle.Tape(
                walked,
                station,
                datum,
                eye,
                hooked,
                Instants.ToMicroseconds(clock.GetUtcNow())
            )
                is { } tape
            ? TypedResults.Ok(tape)
            : Trouble
                .At(
                    "from",
                    "In the practice bay the tape hangs from the body to hub, rim or floor. Choose one of them."
                )
                .Answer();
    }

    private static async Task<Results<Ok<ScoreView>, ProblemHttpResult>> HandIn(
        Guid exercise,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await Open(exercise, db, me, cancel) is not { } of)
        {
            return None().Answer();
        }
        if (of.Exercise.HandedInAt is null)
        {
            if (WhyNot(of.Exercise, me) is { } why)
            {
                return why.Answer();
            }
            var score = PracticeScore.Of(RunOf(of));
            of.Exercise.HandedInAt = Instants.ToMicroseconds(clock.GetUtcNow());
            (of.Exercise.Score, of.Exercise.Points) = (score, score.Points);
            try
            {
                await db.SaveChangesAsync(CancellationToken.None);
            }
            catch (DbUpdateConcurrencyException)
            {
                return Trouble
                    .Gate(
                        "",
                        "Something was done in it on another page just now. Look at it, then hand it in."
                    )
                    .Answer();
            }
        }
        return TypedResults.Ok(await ScoreOf(of, db, me, cancel));
    }

    private static async Task<Results<Ok<ScoreView>, ProblemHttpResult>> Score(
        Guid exercise,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    ) =>
        await Open(exercise, db, me, cancel) is not { } of ? None().Answer()
        : of.Exercise.Score is null ? Trouble.Gate("", "It is not handed in yet.").Answer()
        : TypedResults.Ok(await ScoreOf(of, db, me, cancel));

    private static async Task<ScoreView> ScoreOf(
        (Exercise Exercise, JobDocument Job) of,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        var run = RunOf(of);
        var name = await db
            .Users.AsNoTracking()
            .Where(a => a.ShopId == me.ShopId && a.Id == of.Exercise.PersonId)
            .Select(a => a.PersonName)
            .FirstOrDefaultAsync(cancel);
        return new ScoreView(
            of.Exercise.Id,
            name ?? "somebody who left",
            CourseRule.For(of.Exercise.Course).Title,
            of.Exercise.Level,
            of.Exercise.Course == Course.OwnJob ? null : of.Exercise.Truth.Seed,
            of.Exercise.Course,
            of.Exercise.HandedInAt!.Value,
            of.Exercise.Score!,
            run.Spent(),
            of.Exercise.Truth.Came,
            BestRun.Of(run)
        );
    }
}
