using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <content>An exercise while it is worked on, and its score.</content>
internal static partial class PracticeEndpoints
{
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
        while (true)
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
            catch (DbUpdateConcurrencyException)
            {
                // Another page of the same learner looked at the same time: with what it found, again. Who loses has lost to one that got on, so this ends.
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
        : exercise.HandedInAt is not null ? PracticeScope.HandedIn
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
