using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Week;

namespace Nokko.Server.Demo;

/// <summary>The made-up shop's week: two bays, four vehicles that share them, and some that wait for a place.</summary>
internal static class DemoWeek
{
    /// <summary>The bays.</summary>
    public static readonly string[] Bays = ["Lift", "Floor bay"];

    /// <summary>A booking of the week.</summary>
    /// <param name="Plate">The vehicle.</param>
    /// <param name="Bay">The bay.</param>
    /// <param name="Days">How many days of work from today on.</param>
    /// <param name="From">Minutes after midnight.</param>
    /// <param name="People">Which of the people, the first leads.</param>
    private sealed record Booked(string Plate, string Bay, int Days, int From, params int[] People);

    private static readonly Booked[] Week =
    [
        new("HO 31 T", Bays[0], 0, 8 * 60, 1, 2),
        new("TM 41 F", Bays[0], 0, (13 * 60) + 30, 0, 2),
        new("HO 32 T", Bays[1], 0, 9 * 60, 0),
        new("FH 1", Bays[1], 1, 8 * 60, 2, 1),
        new("LG 5 K", Bays[0], 2, 8 * 60, 1),
    ];

    /// <summary>A job with its booking; as it is where it has none.</summary>
    /// <param name="d">The job.</param>
    /// <param name="people">The shop's people: owner, fitter, apprentice.</param>
    /// <param name="now">This instant.</param>
    public static JobDocument Book(JobDocument d, IReadOnlyList<Person> people, DateTimeOffset now)
    {
        if (Week.FirstOrDefault(b => b.Plate == d.Vehicle.Plate) is not { } booked)
        {
            return d;
        }
        var (hours, day) = (new ShopHours(), DateOnly.FromDateTime(now.UtcDateTime));
        for (var left = booked.Days; !hours.Works(day) || left-- > 0; )
        {
            day = day.AddDays(1);
        }
        Person[] hands = [.. booked.People.Select(p => people[p])];
        return d with
        {
            People = [.. d.People.Append(people[0]).Concat(hands).DistinctBy(p => p.Id)],
            Bookings =
            [
                new Booking
                {
                    Id = Guid.CreateVersion7(),
                    Bay = booked.Bay,
                    Day = day,
                    From = booked.From,
                    People = [.. hands.Select(h => h.Id)],
                    PersonId = people[0].Id,
                    At = Instants.ToMicroseconds(now),
                },
            ],
        };
    }
}
