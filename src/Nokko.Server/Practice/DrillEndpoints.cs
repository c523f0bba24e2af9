using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>Drills: drawn from a seed, marked from what was answered.</summary>
internal static class DrillEndpoints
{
    private const int MostAnswers = 100;

    /// <summary>A drill that a device did, perhaps some time ago.</summary>
    /// <param name="Id">Key; sent again it changes nothing.</param>
    /// <param name="Kind">What was drilled.</param>
    /// <param name="Seed">Its seed.</param>
    /// <param name="At">When it was done.</param>
    /// <param name="Answers">The answers, in order; null was passed over.</param>
    internal sealed record DrillInput(
        Guid Id,
        DrillKind Kind,
        int Seed,
        DateTimeOffset At,
        IReadOnlyList<int?> Answers
    );

    /// <summary>How a drill went.</summary>
    internal sealed record DrillMarked(int Right, int Of, DrillAgain Again);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/practice/drills/{kind}", Draw);
        api.MapPost("/practice/drills", Keep).OpenToViewers();
    }

    private static Results<Ok<Drill>, ProblemHttpResult> Draw(string kind, int? seed) =>
        Enum.TryParse<DrillKind>(kind, true, out var drill) && Enum.IsDefined(drill)
            ? TypedResults.Ok(Drill.Of(drill, seed ?? Random.Shared.Next(1_000_000)))
            : Trouble.Missing("There is no such drill.").Answer();

    private static async Task<Results<Ok<DrillMarked>, ProblemHttpResult>> Keep(
        DrillInput body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(body.Kind) || body.Id == Guid.Empty)
        {
            return Trouble.At("kind", "There is no such drill.").Answer();
        }
        if (body.Answers is null or { Count: > MostAnswers })
        {
            return Trouble.At("answers", "A drill has no more than 100 answers.").Answer();
        }
        var drill = Drill.Of(body.Kind, body.Seed);
        var now = clock.GetUtcNow();
        if (!await db.Drills.AnyAsync(d => d.Id == body.Id, cancel))
        {
            db.Put(
                new DrillEntry
                {
                    Id = body.Id,
                    PersonId = me.PersonId,
                    Kind = body.Kind,
                    Seed = body.Seed,
                    Right = drill.Mark(body.Answers),
                    Of = drill.Questions.Count,
                    // A device's clock may be ahead; nobody has done tomorrow's drill.
                    At = Instants.ToMicroseconds(body.At > now ? now : body.At),
                }
            );
            try
            {
                await db.SaveChangesAsync(CancellationToken.None);
            }
            catch (DbUpdateException e)
                when (e.InnerException
                        is Npgsql.PostgresException
                        {
                            SqlState: Npgsql.PostgresErrorCodes.UniqueViolation
                        }
                )
            {
                // It came by another way at the same time.
                db.ChangeTracker.Clear();
            }
        }
        return TypedResults.Ok(
            new DrillMarked(
                drill.Mark(body.Answers),
                drill.Questions.Count,
                DrillAgain.Of(await Done(db, me.PersonId, cancel)).First(a => a.Kind == body.Kind)
            )
        );
    }

    /// <summary>Drills of one person that are looked at: what lies further back tells nothing of today.</summary>
    private const int Last = 500;

    /// <summary>What somebody drilled last.</summary>
    public static Task<List<DrillDone>> Done(NokkoDb db, Guid person, CancellationToken cancel) =>
        db
            .Drills.Where(d => d.PersonId == person)
            .OrderByDescending(d => d.At)
            .Take(Last)
            .Select(d => new DrillDone(d.Kind, d.At, d.Right, d.Of))
            .ToListAsync(cancel);
}
