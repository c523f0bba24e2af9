using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>Somebody of the shop.</summary>
/// <param name="Id">Key.</param>
/// <param name="Name">Name.</param>
/// <param name="Role">What the person may do.</param>
public sealed record RosterPerson(Guid Id, string Name, PersonRole Role);

/// <summary>The shop's bays and people, as they are now.</summary>
/// <param name="Bays">Names of the bays.</param>
/// <param name="People">Who is there.</param>
public sealed record ShopRoster(IReadOnlyList<string> Bays, IReadOnlyList<RosterPerson> People);

/// <summary>Books a job for a bay, a time and hands, or books it anew.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the booking, where there is none yet.</param>
/// <param name="Bay">The bay; null in a shop without bays.</param>
/// <param name="Day">The day on which it shall begin.</param>
/// <param name="From">When on that day, minutes after midnight in the shop's own time.</param>
/// <param name="People">Who works on it, the first leads.</param>
/// <param name="Hours">A fitter's own word on the whole; null is what the card says.</param>
/// <param name="Version">Version of the booking as seen; null where there was none.</param>
public sealed record BookWork(
    Guid CommandId,
    Guid Id,
    string? Bay,
    DateOnly Day,
    int From,
    IReadOnlyList<Guid> People,
    QuantityInput? Hours = null,
    uint? Version = null
) : JobCommand(CommandId)
{
    /// <summary>Most days that lie between today and the day for which something is booked.</summary>
    public const int MostDays = 731;

    /// <summary>Longest time that a job is thought to take, h.</summary>
    public const double MostHours = 400;

    /// <inheritdoc/>
    public override string Does() => "booked";

    /// <inheritdoc/>
    public override bool NamesShop() => true;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (d.Job.HandedOverAt is not null)
        {
            throw Refuse.Gate("day", "It is handed over: there is nothing to book any more.");
        }
        var roster = work.Context.Roster ?? new ShopRoster([], []);
        var hours = QuantityInput.Read(Hours, "hours", Unit.Hour);
        if (hours?.In(Unit.Hour) > MostHours)
        {
            throw Refuse.Value("hours", "That is more than 400 hours. How long does it take?");
        }
        var known = d.Booked();
        var row = new Booking
        {
            Id = known?.Id ?? Id,
            Bay = ReadBay(roster),
            Day = ReadDay(work.Now),
            From = From is >= 0 and < 24 * 60
                ? From
                : throw Refuse.Value("from", "A time of the day, 00:00 to 23:59."),
            People = ReadPeople(roster),
            Hours = hours,
            PersonId = work.PersonId,
            At = work.Now,
        };
        foreach (
            var person in roster.People.Where(p =>
                row.People.Contains(p.Id)
                && p.Id != work.PersonId
                && d.People.All(there => there.Id != p.Id)
            )
        )
        {
            work.Add(new Person { Id = person.Id, Name = person.Name });
        }
        if (known is null)
        {
            work.Add(row);
        }
        else
        {
            work.Edit(known, Version ?? 0, row);
        }
    }

    private string? ReadBay(ShopRoster roster)
    {
        if (TypedText.Line(Bay, "bay") is not { } bay)
        {
            return roster.Bays.Count == 0
                ? null
                : throw Refuse.Value("bay", "In which bay? Choose one.");
        }
        return roster.Bays.FirstOrDefault(b =>
                string.Equals(b, bay, StringComparison.OrdinalIgnoreCase)
            )
            ?? throw Refuse.Value(
                "bay",
                $"“{bay}” is no bay of the shop. Its bays are named on the shop’s page."
            );
    }

    private DateOnly ReadDay(DateTimeOffset now)
    {
        var days = Day.DayNumber - DateOnly.FromDateTime(now.UtcDateTime).DayNumber;
        return days switch
        {
            > MostDays => throw Refuse.Value("day", "That is more than two years from now."),
            < -MostDays => throw Refuse.Value("day", "That is more than two years ago."),
            _ => Day,
        };
    }

    private Guid[] ReadPeople(ShopRoster roster)
    {
        Guid[] people = [.. People];
        if (people.Length > Booking.MostPeople || people.Distinct().Count() < people.Length)
        {
            throw Refuse.Value("people", "At most four people, each once.");
        }
        foreach (var one in people)
        {
            switch (roster.People.FirstOrDefault(p => p.Id == one))
            {
                case null:
                    throw Refuse.Value("people", "Somebody of these is not in the shop any more.");
                case { Role: PersonRole.Viewer } looks:
                    throw Refuse.Value("people", $"{looks.Name} looks on here, and fits nothing.");
            }
        }
        return people;
    }
}

/// <summary>Takes a job out of the week.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the booking as seen.</param>
public sealed record CancelBooking(Guid CommandId, uint Version) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "taken out of the week";

    internal override void Decide(JobWork work)
    {
        var known = work.Document.Booked() ?? throw Refuse.Gone("It is booked for no time.");
        work.Seen(known, Version);
        work.Withdraw(known);
    }
}
