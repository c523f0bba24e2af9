using System.Globalization;
using Nokko.Core.Units;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>What is said of a job in the week.</summary>
public static class WeekWords
{
    /// <summary>Below this chance a promise is said to be in danger.</summary>
    private const double InDanger = 0.8;

    /// <summary>Working time as said: in hours and whole five minutes.</summary>
    /// <param name="minutes">Minutes.</param>
    public static string Minutes(double minutes)
    {
        var five = 5 * Math.Max(1, (int)Math.Round(minutes / 5));
        return five < 60 ? $"{five} min"
            : five % 60 == 0 ? $"{five / 60} h"
            : $"{five / 60} h {five % 60:00} min";
    }

    /// <summary>Standard normal deviate of nine in ten.</summary>
    private const double NineInTen = 1.2816;

    /// <summary>How long work takes, with the times between which it lies eight times in ten.</summary>
    /// <param name="time">The time.</param>
    public static string Said(WorkTime time) =>
        time.Steps == 0
            ? "nothing is left"
            : $"about {Minutes(time.Median)}, {Minutes(time.At(-NineInTen))} to {Minutes(time.At(NineInTen))} eight times in ten";

    /// <summary>From what it is known how long work takes.</summary>
    /// <param name="time">The time.</param>
    /// <param name="load">What is left.</param>
    /// <param name="ownWord">Whether a fitter's own word stands for it.</param>
    public static string From(WorkTime time, Workload load, bool ownWord) =>
        ownWord ? "A fitter’s own word, less what is done."
        : load.Left.Any(l => l.Guess)
            ? "No parts are chosen yet: half a day is a guess, and so is its spread."
        : time.Timed == 0
            ? $"By the card’s rules of thumb, {Counted(time.Steps)}: none like it was timed here yet."
        : $"From the card, {Counted(time.Steps)}; {time.Timed} of them timed here before.";

    /// <summary>How fast the shop is against the rules of thumb, with what lies within two standard uncertainties.</summary>
    /// <param name="pace">Its pace.</param>
    public static string Said(Pace pace) =>
        pace.Timed == 0
            ? "No step was timed here yet: hours are the card’s rules of thumb."
            : string.Create(
                CultureInfo.InvariantCulture,
                $"Steps take {pace.Factor:0.0} times the rules of thumb here ({pace.Factor * Math.Exp(-2 * pace.LogSd):0.0} to {pace.Factor * Math.Exp(2 * pace.LogSd):0.0}), by {pace.Timed} that were timed."
            );

    private static string Counted(int steps) => steps == 1 ? "1 step" : $"{steps} steps";

    /// <summary>Whom a job pushes, in a sentence; null where it pushes nobody.</summary>
    /// <param name="pushes">Jobs that begin later because of it.</param>
    public static string? Said(IReadOnlyList<Pushed> pushes) =>
        pushes.Count == 0
            ? null
            : $"Pushes {string.Join(", ", pushes.Select(p => $"{p.Name} by {Minutes(p.Minutes)}"))}.";

    /// <summary>A booking in a few words, for the history.</summary>
    /// <param name="booking">The booking.</param>
    public static string Said(Booking booking) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{booking.Day:yyyy-MM-dd}, {booking.From / 60:00}:{booking.From % 60:00}{(booking.Bay is { } bay ? $", {bay}" : "")}"
        );

    /// <summary>What a person must know of a job in the week beside what holds it.</summary>
    internal static IEnumerable<string> Of(
        WeekJob job,
        ScheduledJob when,
        string? waitsFor,
        ShopRoster roster,
        ShopHours hours
    )
    {
        if (when.LateMinutes > 0)
        {
            var by = Minutes(when.LateMinutes);
            yield return when.Waits switch
            {
                WaitsFor.Bay =>
                    $"Begins {by} later than booked: {waitsFor} still stands in the bay.",
                WaitsFor.Person =>
                    $"Begins {by} later than booked: {Name(roster, job.Booking.People[0])} is still at {waitsFor}.",
                WaitsFor.Parts =>
                    $"Begins {by} later than booked, the morning after its parts come.",
                WaitsFor.Now => $"It was booked for {by} ago and is not begun.",
                WaitsFor.Nothing => throw new InvalidOperationException("Late for nothing."),
                _ => throw new InvalidOperationException($"No words are known for {when.Waits}."),
            };
        }
        if (when.From > job.Booking.Begins() && !hours.Works(job.Booking.Day))
        {
            yield return "The shop is closed on the day for which it is booked: it begins on the next one.";
        }
        if (job.Booking.Bay is { } bay && !roster.Bays.Contains(bay))
        {
            yield return $"{bay} is no bay of the shop any more.";
        }
        if (
            job.Booking.People.Count > 0
            && !job.Booking.People.Any(p => roster.People.Any(r => r.Id == p && r.Role.Answers()))
            && roster.People.Any(r => job.Booking.People.Contains(r.Id))
        )
        {
            yield return "Only an apprentice is down for it: a fitter looks over it and hands it over.";
        }
        if (when.OnTime is < InDanger and var chance)
        {
            yield return $"Done by the day it is promised: {ResultText.Odds(chance)}.";
        }
    }

    private static string Name(ShopRoster roster, Guid person) =>
        roster.People.FirstOrDefault(p => p.Id == person)?.Name ?? "who leads it";
}
