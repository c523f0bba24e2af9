using System.Globalization;
using Nokko.Driving;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The week in the hands of people: dragged, moved by keys, booked by a form, by two at once, and on a phone.</summary>
public sealed class WeekTests : IAsyncLifetime
{
    private HostedServer _server = null!;

    public async ValueTask InitializeAsync() =>
        _server = await HostedServer.Start($"demo_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    /// <summary>The week after the next: whatever day it is today, it lies before us and nothing stands in it.</summary>
    private static string Monday(int week = 2)
    {
        var today = DateOnly.FromDateTime(DateTime.Now);
        return today
            .AddDays((7 * week) - (((int)today.DayOfWeek + 6) % 7))
            .ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
    }

    private static IWebElement Block(Driving.Browser b, string plate, string says = "") =>
        b.Until(
            d =>
                d.FindElement(
                    By.XPath(
                        $"//ul[@data-drop]//button[@data-grip='{plate}' and contains(., '{says}')]"
                    )
                ),
            $"{plate} in its bay, {says}"
        );

    private static void Open(Driving.Browser b, string address, string from)
    {
        b.Open($"{address}/week?from={from}");
        b.Sees("Not booked yet");
    }

    /// <summary>Books from the list by the form.</summary>
    private static void Book(Driving.Browser b, string plate, string day, string from, string leads)
    {
        b.Press(plate);
        b.Sees($"{plate}\n");
        Set(b, "Day", day);
        Set(b, "From", from);
        b.Choose("Leads", leads);
        b.Press("Book it");
        b.Sees($"✓ {plate} booked.");
    }

    /// <summary>Sets a field of a date or a time, which takes keys in the order of the browser's language.</summary>
    private static void Set(Driving.Browser b, string label, string value) =>
        b.Driver.ExecuteScript(
            """
            const [field, value] = arguments;
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, value);
            field.dispatchEvent(new Event('input', { bubbles: true }));
            """,
            b.Field(label),
            value
        );

    [Trait("Trial", "long")]
    [Fact]
    public void A_vehicle_is_dragged_to_its_place_moved_by_keys_and_taken_back()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Press("Week");
        b.Sees("Not booked yet");
        Block(b, "HO 31 T", "Odd Farrow");
        var monday = Monday();
        Open(b, _server.Address, monday);

        // From the list into a bay: who is on it is asked next.
        var lane = b.Driver.FindElement(By.CssSelector("[data-drop='Floor bay']"));
        var grip = b.Driver.FindElement(By.CssSelector("[data-grip='TM 60 S']"));
        b.Driver.ExecuteScript("arguments[0].scrollIntoView({block:'end'})", grip);
        new Actions(b.Driver)
            .MoveToElement(grip)
            .ClickAndHold()
            .MoveByOffset(0, -12)
            .MoveToElement(lane, (-lane.Size.Width / 2) + 1, 0)
            .MoveByOffset(1, 0)
            .Release()
            .Perform();
        b.Sees("Nobody is down for it.");
        Block(b, "TM 60 S", "08:00 to");
        b.Choose("Leads", "Odd Farrow");
        b.Press("Book it so");
        b.Sees("✓ TM 60 S booked.");
        Block(b, "TM 60 S", "Odd Farrow");

        // A later hour, the other bay, and back again.
        Keyed(Keys.ArrowRight);
        Block(b, "TM 60 S", "09:00 to");
        Keyed(Keys.ArrowUp);
        b.Until(
            d =>
                d.FindElement(By.CssSelector("section[aria-label='Lift']"))
                    .Text.Contains("TM 60 S", StringComparison.Ordinal),
            "it stands on the lift"
        );
        b.Press("Undo");
        b.Until(
            d =>
                d.FindElement(By.CssSelector("section[aria-label='Floor bay']"))
                    .Text.Contains("TM 60 S", StringComparison.Ordinal),
            "it stands on the floor again"
        );
        // Three presses in one breath are three hours, whatever the line.
        Keyed(Keys.ArrowRight + Keys.ArrowRight + Keys.ArrowRight);
        Block(b, "TM 60 S", "12:30 to");
        b.AllSaved();
        Assert.DoesNotContain("changed this", b.Text, StringComparison.Ordinal);
        Axe.Check(b, "the week");

        // It is in the yard, in the job, and in its history.
        b.Open(_server.Address);
        b.Sees("12:00");
        Assert.Contains("Floor bay, Mon", b.Text, StringComparison.Ordinal);

        void Keyed(string key) =>
            new Actions(b.Driver)
                .Click(Block(b, "TM 60 S"))
                .KeyDown(Keys.Shift)
                .SendKeys(key)
                .KeyUp(Keys.Shift)
                .Perform();
    }

    [Fact]
    [Trait("Trial", "long")]
    public void A_slip_says_whom_it_pushes_and_a_second_fitter_is_told_who_was_first()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        var monday = Monday();
        Open(b, _server.Address, monday);
        Book(b, "HO 12 D", monday, "08:00", "Odd Farrow");
        Book(b, "NF 80 W", monday, "10:00", "Brenna Tarn");
        b.Sees("still stands in the bay");
        Block(b, "HO 12 D").Click();
        b.Sees("Pushes NF 80 W by");

        // Another fitter moves it while this form is open.
        using (var odd = new Driving.Browser())
        {
            odd.SignIn(_server.Address, "odd");
            Open(odd, _server.Address, monday);
            Block(odd, "HO 12 D").Click();
            Set(odd, "From", "11:15");
            odd.Press("Book it so");
            odd.Sees("✓ HO 12 D booked.");
        }
        Set(b, "From", "13:00");
        b.Press("Book it so");
        b.Sees("Odd Farrow changed this first");
        b.Sees("11:15");
        b.Press("Keep mine over theirs");
        b.Sees("✓ HO 12 D booked.");
        // What is booked earlier stands there first now.
        Block(b, "NF 80 W", "10:00 to");

        // A word of one's own on the hours, and nonsense told where it stands.
        Block(b, "HO 12 D").Click();
        b.Type("Hours, own word", "many");
        b.Press("Book it so");
        b.Until(
            d => d.FindElements(By.CssSelector("input[aria-invalid=true]")).Count == 1,
            "the hours are told to be wrong"
        );
        b.Type("Hours, own word", "3");
        b.Press("Book it so");
        b.Sees("✓ HO 12 D booked.");
        Block(b, "HO 12 D").Click();
        b.Sees("A fitter’s own word, less what is done.");
        b.Press("Take it out of the week");
        b.Sees("✓ HO 12 D taken out of the week.");
        b.Press("Undo");
        Block(b, "HO 12 D");
        b.AllSaved();
    }

    [Trait("Trial", "long")]
    [Fact]
    public void On_a_phone_it_is_a_list_by_day_offline_it_is_kept_and_nobody_who_looks_on_books()
    {
        using var b = new Driving.Browser(390, 844);
        b.SignIn(_server.Address, "odd");
        var monday = Monday();
        Open(b, _server.Address, monday);
        b.Sees("Nothing is booked.");
        Book(b, "NF 77 W", monday, "08:30", "Odd Farrow");
        b.Sees("08:30 to");
        Axe.Check(b, "the week on a phone");

        b.Offline(true);
        b.Press("NF 77 W");
        Set(b, "From", "09:30");
        b.Press("Book it so");
        b.Sees("kept here until the server is reached");
        b.Offline(false);
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Sees("09:30 to");

        using var ruan = new Driving.Browser();
        ruan.SignIn(_server.Address, "ruan");
        Open(ruan, _server.Address, monday);
        Block(ruan, "NF 77 W").Click();
        Set(ruan, "From", "11:00");
        ruan.Press("Book it so");
        ruan.Sees("You look on here and change nothing.");
    }
}
