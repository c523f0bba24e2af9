using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A job booked for a bay, a time and hands.</summary>
public class BookingTests
{
    private static readonly Guid Odd = Sample.Id(31);
    private static readonly Guid Linde = Sample.Id(32);
    private static readonly Guid Ruan = Sample.Id(33);
    private static readonly DateOnly Day = new(2026, 3, 5);

    private readonly Workshop _shop = new()
    {
        Roster = new ShopRoster(
            ["Lift", "Floor"],
            [
                new(Odd, "Odd", PersonRole.Fitter),
                new(Linde, "Linde", PersonRole.Apprentice),
                new(Ruan, "Ruan", PersonRole.Viewer),
            ]
        ),
    };

    private BookWork Book(string? bay = "Lift", uint? version = null, params Guid[] people) =>
        new(_shop.Key(), _shop.Key(), bay, Day, 510, people, null, version);

    [Fact]
    public void It_is_kept_as_it_was_said_and_whoever_is_down_for_it_is_named_in_the_job()
    {
        _shop.Do(Book("lift", null, Odd, Linde) with { Hours = Workshop.Typed("6.5", Unit.Hour) });
        var booking = Assert.Single(_shop.Document.Bookings);
        Assert.Equal(("Lift", Day, 510), (booking.Bay, booking.Day, booking.From));
        Assert.Equal([Odd, Linde], booking.People);
        Assert.Equal(6.5, booking.Hours!.In(Unit.Hour));
        Assert.Equal(new DateTime(2026, 3, 5, 8, 30, 0), booking.Begins());
        Assert.Equal("Odd", _shop.Document.People.Single(p => p.Id == Odd).Name);
        // Booked anew it is the same one, and nobody is named twice.
        _shop.Do(Book("Floor", null, Odd));
        Assert.Equal(
            (booking.Id, "Floor"),
            (Assert.Single(_shop.Document.Bookings).Id, _shop.Document.Bookings[0].Bay)
        );
        Assert.Single(_shop.Document.People, p => p.Id == Odd);
    }

    [Fact]
    public void What_cannot_be_is_told_where_it_was_typed()
    {
        void Told(BookWork it, string field, string says)
        {
            var why = _shop.Refused(it);
            Assert.Equal((field, says), (why.Field, why.Message));
        }

        Told(Book(""), "bay", "In which bay? Choose one.");
        Told(
            Book("Yard"),
            "bay",
            "“Yard” is no bay of the shop. Its bays are named on the shop’s page."
        );
        Told(Book() with { From = 1440 }, "from", "A time of the day, 00:00 to 23:59.");
        Told(Book() with { From = -1 }, "from", "A time of the day, 00:00 to 23:59.");
        Told(Book() with { Day = Day.AddYears(3) }, "day", "That is more than two years from now.");
        Told(Book() with { Day = Day.AddYears(-3) }, "day", "That is more than two years ago.");
        Told(Book("Lift", null, Odd, Odd), "people", "At most four people, each once.");
        Told(Book("Lift", null, Ruan), "people", "Ruan looks on here, and fits nothing.");
        Told(
            Book("Lift", null, Sample.Id(77)),
            "people",
            "Somebody of these is not in the shop any more."
        );
        Told(
            Book() with
            {
                Hours = Workshop.Typed("401", Unit.Hour),
            },
            "hours",
            "That is more than 400 hours. How long does it take?"
        );
        Told(
            Book() with
            {
                Hours = Workshop.Typed("0", Unit.Hour),
            },
            "hours",
            "This must be above zero."
        );
        Assert.Empty(_shop.Document.Bookings);
    }

    [Fact]
    public void A_shop_without_bays_asks_for_none()
    {
        _shop.Roster = _shop.Roster! with { Bays = [] };
        _shop.Do(Book(null, null, Odd));
        Assert.Null(_shop.Document.Bookings[0].Bay);
    }

    [Fact]
    public void Who_was_second_is_told_and_nothing_is_overwritten()
    {
        _shop.Do(Book());
        var booking = _shop.Document.Bookings[0];
        _shop.Versions[booking.Id] = 7;
        var why = _shop.Refused(Book("Floor", 6));
        Assert.Equal((RefusalKind.Conflict, "version"), (why.Kind, why.Field));
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(new CancelBooking(_shop.Key(), 6)).Kind);
        _shop.Do(Book("Floor", 7));
        Assert.Equal("Floor", _shop.Document.Bookings[0].Bay);
    }

    [Fact]
    public void It_is_taken_out_and_put_back()
    {
        _shop.Do(Book("Lift", null, Odd));
        var gone = new CancelBooking(_shop.Key(), 0);
        _shop.Do(gone);
        Assert.Empty(_shop.Document.Bookings);
        Assert.Equal(RefusalKind.Gone, _shop.Refused(new CancelBooking(_shop.Key(), 0)).Kind);
        _shop.Do(new TakeBack(_shop.Key(), gone.CommandId));
        Assert.Equal([Odd], Assert.Single(_shop.Document.Bookings).People);
    }

    [Fact]
    public void Whoever_looks_on_books_nothing_and_what_is_handed_over_is_not_booked()
    {
        _shop.Role = PersonRole.Viewer;
        Assert.Equal(
            "You look on here and change nothing. Ask the shop's owner.",
            _shop.Refused(Book()).Message
        );
        _shop.Role = PersonRole.Fitter;
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { HandedOverAt = Sample.At(5) },
        };
        Assert.Equal(RefusalKind.Gate, _shop.Refused(Book()).Kind);
    }

    [Fact]
    public void A_day_s_work_may_begin_at_midnight_and_a_minute_before_it()
    {
        foreach (var from in new[] { 0, 1439 })
        {
            _shop.Do(Book() with { From = from });
            Assert.Equal(from, _shop.Document.Booked()!.From);
        }
    }
}
