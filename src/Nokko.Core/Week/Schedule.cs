namespace Nokko.Core.Week;

/// <summary>A job that stands in the week.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="Bay">The bay; null where it has none.</param>
/// <param name="Booked">When it was booked for, in the shop's own time.</param>
/// <param name="People">Who works on it, the first leads.</param>
/// <param name="Left">How long the rest of it takes.</param>
/// <param name="BegunAt">When the work began, in the shop's own time; null where it has not.</param>
/// <param name="PartsOn">The day on which the last of its parts comes; null where all are here.</param>
/// <param name="PromisedOn">The day for which it is promised.</param>
/// <param name="Held">What must be settled before anything can be foretold; empty where nothing holds it.</param>
public sealed record BookedJob(
    Guid Job,
    string? Bay,
    DateTime Booked,
    IReadOnlyList<Guid> People,
    WorkTime Left,
    DateTime? BegunAt,
    DateOnly? PartsOn,
    DateOnly? PromisedOn,
    IReadOnlyList<string> Held
);

/// <summary>Why work begins no earlier than it does.</summary>
public enum WaitsFor
{
    /// <summary>It begins as it was booked.</summary>
    Nothing,

    /// <summary>The time it was booked for has gone by.</summary>
    Now,

    /// <summary>Its parts.</summary>
    Parts,

    /// <summary>The bay, in which another vehicle stands.</summary>
    Bay,

    /// <summary>Who leads it, and works on another vehicle.</summary>
    Person,
}

/// <summary>When a job is worked on, as it can be foretold. Times are the shop's own.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="From">When it begins, or began.</param>
/// <param name="Until">When it is done, as likely earlier as later.</param>
/// <param name="Early">Done earlier than this one time in ten.</param>
/// <param name="Late">Done later than this one time in ten.</param>
/// <param name="LateMinutes">How many working minutes later it begins than booked.</param>
/// <param name="Waits">What it waits for.</param>
/// <param name="For">The job that it waits for, where it waits for a bay or a person.</param>
/// <param name="OnTime">Chance that it is done by the close of the day for which it is promised, 0 … 1; null where none is promised.</param>
/// <param name="Foretold">Whether it can be foretold: what is held stands where it could begin at the earliest, and pushes nothing.</param>
public sealed record ScheduledJob(
    Guid Job,
    DateTime From,
    DateTime Until,
    DateTime Early,
    DateTime Late,
    int LateMinutes,
    WaitsFor Waits,
    Guid? For,
    double? OnTime,
    bool Foretold
);

/// <summary>Lays booked jobs into bays and hands, one after the other.</summary>
/// <remarks>
/// Source: docs/computation/week.md#one-after-the-other. What is begun goes on; the rest begins in the order in which it was booked and its parts are there, as soon as its bay is free and who leads it. Whoever lends a hand to another job is so much later with his own. Where several lengths are uncertain, the whole is laid many times over with lengths drawn by a fixed rule: the same week gives the same answer.
/// </remarks>
public static class Schedule
{
    /// <summary>How often the week is laid to tell how far it may slip.</summary>
    private const int Draws = 400;

    /// <summary>Lays the week.</summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="hours">When the shop works.</param>
    /// <param name="now">This instant, in the shop's own time.</param>
    public static IReadOnlyList<ScheduledJob> Of(
        IReadOnlyList<BookedJob> jobs,
        ShopHours hours,
        DateTime now
    )
    {
        if (jobs.Count == 0)
        {
            return [];
        }
        var origin = DateOnly.FromDateTime(
            jobs.Select(j => j.BegunAt ?? j.Booked).Append(now).Min()
        );
        var clock = new WorkClock(hours, origin);
        // Who waits for parts takes no bay from those who could begin meanwhile.
        Line[] lines =
        [
            .. jobs.Select(j => new Line(j, clock, now))
                .OrderBy(l => l.Job.BegunAt is null)
                .ThenBy(l => l.Job.BegunAt ?? DateTime.MinValue)
                .ThenBy(l => Math.Max(l.Booked, l.Parts))
                .ThenBy(l => l.Job.Booked)
                .ThenBy(l => l.Job.Job),
        ];
        BookedJob[] order = [.. lines.Select(l => l.Job)];
        var central = Lay(lines, [.. order.Select(j => j.Left.Median)]);
        var ends = order.Select(_ => new double[Draws]).ToArray();
        var z = Deviates(order.Length + 1);
        for (var k = 0; k < Draws; k++)
        {
            var lengths = order.Select((j, i) => Length(j.Left, z[^1][k], z[i][k])).ToArray();
            var laid = Lay(lines, lengths);
            for (var i = 0; i < order.Length; i++)
            {
                ends[i][k] = laid[i].To;
            }
        }
        return [.. order.Select((j, i) => Said(j, lines[i], central[i], ends[i], order, clock))];
    }

    private static ScheduledJob Said(
        BookedJob job,
        Line line,
        Laid laid,
        double[] ends,
        BookedJob[] order,
        WorkClock clock
    )
    {
        Array.Sort(ends);
        var late = job.BegunAt is null ? laid.From - line.Booked : 0;
        return new ScheduledJob(
            job.Job,
            job.BegunAt ?? clock.BeginsAt(laid.From),
            clock.EndsAt(laid.To),
            clock.EndsAt(ends[Draws / 10]),
            clock.EndsAt(ends[Draws - 1 - (Draws / 10)]),
            late >= 1 ? (int)Math.Round(late) : 0,
            late >= 1 ? laid.Waits : WaitsFor.Nothing,
            late >= 1 && laid.For is { } other ? order[other].Job : null,
            job.PromisedOn is { } day && line.Foretold
                ? ends.Count(e =>
                    e <= clock.MinutesTo(day.AddDays(1).ToDateTime(TimeOnly.MinValue)) + 1e-6
                ) / (double)Draws
                : null,
            line.Foretold
        );
    }

    /// <summary>A job on the line of working minutes.</summary>
    private sealed record Line(BookedJob Job, double Booked, double Now, double Parts)
    {
        public Line(BookedJob job, WorkClock clock, DateTime now)
            : this(
                job,
                clock.MinutesTo(job.Booked),
                clock.MinutesTo(now),
                // What comes on a day is there the next morning.
                job.PartsOn
                    is { } day
                    ? clock.MinutesTo(day.AddDays(1).ToDateTime(TimeOnly.MinValue))
                    : 0
            ) { }

        public bool Foretold => Job.Held.Count == 0;

        public Guid? Leads => Job.People.Count > 0 ? Job.People[0] : null;
    }

    private readonly record struct Laid(double From, double To, WaitsFor Waits, int? For);

    private static Laid[] Lay(Line[] lines, double[] lengths)
    {
        var alone = Lay(lines, lengths, null);
        // Whoever lends a hand is so much later with his own.
        var lent = new double[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            var two = lengths[i] * lines[i].Job.Left.TwoShare;
            if (!lines[i].Foretold || two <= 0 || lines[i].Job.People.Count < 2)
            {
                continue;
            }
            for (var k = 0; k < lines.Length; k++)
            {
                if (k != i && lines[k].Foretold && lines[k].Leads == lines[i].Job.People[1])
                {
                    var begins = Math.Max(alone[i].From, alone[i].To - lengths[i]);
                    var both =
                        Math.Min(alone[i].To, alone[k].To)
                        - Math.Max(begins, alone[k].To - lengths[k]);
                    lent[k] += lengths[i] > 0 ? two * Math.Max(0, both) / lengths[i] : 0;
                }
            }
        }
        return lent.All(l => l <= 0) ? alone : Lay(lines, lengths, lent);
    }

    private static Laid[] Lay(Line[] lines, double[] lengths, double[]? lent)
    {
        var laid = new Laid[lines.Length];
        var bays = new Dictionary<string, int>();
        var hands = new Dictionary<Guid, int>();
        for (var i = 0; i < lines.Length; i++)
        {
            var (line, length) = (lines[i], lengths[i] + (lent?[i] ?? 0));
            var (from, waits, other) = (line.Booked, WaitsFor.Nothing, (int?)null);
            if (line.Job.BegunAt is not null)
            {
                from = line.Now;
            }
            else
            {
                Wait(line.Now, WaitsFor.Now, null);
                Wait(line.Parts, WaitsFor.Parts, null);
            }
            // A vehicle on the lift has its bay; but two hands do one thing after the other.
            if (
                line.Job.BegunAt is null
                && line.Job.Bay is { } bay
                && bays.TryGetValue(bay, out var before)
            )
            {
                Wait(laid[before].To, WaitsFor.Bay, before);
            }
            if (line.Leads is { } leads && hands.TryGetValue(leads, out var his))
            {
                Wait(laid[his].To, WaitsFor.Person, his);
            }
            laid[i] = new Laid(from, from + length, waits, other);
            if (!line.Foretold)
            {
                // Nobody waits for what may never begin.
                continue;
            }
            if (
                line.Job.Bay is { } taken
                && !(bays.TryGetValue(taken, out var last) && laid[last].To > laid[i].To)
            )
            {
                bays[taken] = i;
            }
            if (line.Leads is { } who)
            {
                hands[who] = i;
            }

            void Wait(double until, WaitsFor why, int? whose)
            {
                if (until > from)
                {
                    (from, waits, other) = (until, why, whose);
                }
            }
        }
        return laid;
    }

    /// <summary>A length: what all jobs share of its uncertainty, and what is its own.</summary>
    private static double Length(WorkTime time, double shared, double own) =>
        time.Median
        * Math.Exp(
            (time.SharedLogSd * shared)
                + (
                    Math.Sqrt(
                        Math.Max(
                            0,
                            (time.LogSd * time.LogSd) - (time.SharedLogSd * time.SharedLogSd)
                        )
                    ) * own
                )
        );

    /// <summary>Standard normal deviates: each row has the same ones, one from the middle of each of equal shares, shuffled by a fixed rule (Latin hypercube).</summary>
    private static double[][] Deviates(int rows)
    {
        var shares = Enumerable
            .Range(0, Draws)
            .Select(k => MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, (k + 0.5) / Draws))
            .ToArray();
        var state = 0x9E3779B97F4A7C15UL;
        return
        [
            .. Enumerable
                .Range(0, rows)
                .Select(_ =>
                {
                    var row = shares.ToArray();
                    for (var k = row.Length - 1; k > 0; k--)
                    {
                        var j = (int)(Next(ref state) % (ulong)(k + 1));
                        (row[k], row[j]) = (row[j], row[k]);
                    }
                    return row;
                }),
        ];
    }

    /// <summary>SplitMix64 (Steele, Lea and Flood 2014).</summary>
    private static ulong Next(ref ulong state)
    {
        var z = state += 0x9E3779B97F4A7C15UL;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9UL;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EBUL;
        return z ^ (z >> 31);
    }
}
