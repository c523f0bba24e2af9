using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The courses of the practice bay that plan, fit and explain, from the first tape to their score, in the real screens.</summary>
[Trait("Trial", "long")]
public sealed class CoursesTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void A_pickup_is_levelled_from_the_first_tape_to_its_score()
    {
        using var b = new Driving.Browser(1280, 900);
        b.SignIn(_server.Address, "linde");
        b.Begins("level", 2);
        b.LooksEverywhere();
        b.Press("Begin the walk-round");
        b.ReadsAll();
        b.Press("Done: plan");
        b.Press("Find stacks");
        b.Press("Take as a plan: No. 1");
        b.Press("Agreed: begin the fitting");
        b.Sees("The card");
        b.WorksThroughTheCard();
        b.CloseRubber();
        b.Phase("walk-round");
        b.Press("Rolled");
        b.ReadsAll();
        b.Phase("prove");
        b.Sees("● Sits as wanted");
        b.HandsIn();
        b.Sees("of 100: passed");
        b.Sees("Every step done, no hold point passed over, no rubber closed hanging.");
        b.Sees("Settled readings of all corners after the work: they may judge.");
        b.Sees("the best of this shelf is");
        Axe.Check(b, "the score of a pickup");
    }

    [Fact]
    public void A_lift_that_went_wrong_is_measured_explained_put_right_and_scored()
    {
        using var b = new Driving.Browser(1280, 900);
        b.SignIn(_server.Address, "linde");
        b.Begins("wentWrong", 1, seed: 4);
        b.Press("Rolled");
        b.ReadsAll();
        b.Phase("prove");
        b.Sees("■ Not as wanted");
        b.Sees("Most likely: Spring not seated, or an isolator twice, left front.");
        b.Press("Look around");
        b.Press("Look at the springs in their pockets10 min");
        b.Sees("The left front spring’s end stands on the step beside its pocket.");
        b.Press("It was that: Spring not seated, or an isolator twice, left front");
        b.Sees("Next: Put it right, settle it, read again");
        b.Press("Seat it (90 min)");
        b.Sees("✓ Put right.");
        b.Press("Look around");
        b.Phase("walk-round");
        b.Press("New round");
        b.Press("Rolled");
        b.ReadsAll();
        b.Phase("prove");
        b.Sees("● Landed where foretold");
        b.HandsIn();
        b.Sees("100");
        b.Sees("of 100: passed");
        b.Sees("The cause is found and said: The left front spring’s end");
        Axe.Check(b, "the score of a lift that went wrong");
    }

    [Fact]
    public async Task In_an_empty_shop_on_a_phone_on_a_slow_line_an_exercise_outlives_its_session()
    {
        await using var server = await HostedServer.Start(
            $"learning_{Guid.NewGuid():N}",
            empty: true
        );
        using var b = new Driving.Browser(390, 844);
        b.OpensShop(server.Address, "rake and lean");
        b.Sees("Three things to begin with");
        b.Open($"{server.Address}/practice");
        b.Slow(1000);
        b.Press("Begin level 1: Measure");
        b.Sees("◇ Practice: Measure, level 1");
        b.Press("Look around");
        // Pressed twice by an impatient thumb: it is looked at once.
        var bed = b.Button("Look into bed and cab2 min");
        b.Driver.ExecuteScript("arguments[0].click(); arguments[0].click()", bed);
        b.Sees("Sandbags lie at the back of the bed.");
        b.Press("Take it out (5 min)");
        b.Sees("✓ Put right.");
        b.Press("Look around");
        b.Press("Begin the walk-round");
        b.Sees("Left front, from the hub");
        var exercise = b.Driver.Url;
        // Its session ends while nothing waits to be stored: a tape that is asked for tells it.
        b.AllSaved();
        b.Button("Hook anew");
        b.Driver.Manage().Cookies.DeleteAllCookies();
        b.Press("Hook anew");
        b.Sees("You are signed out. What you did is kept on this device");
        b.Type("Name", "ada");
        b.Type("Password", "rake and lean");
        b.Press("Sign in");
        // Two minutes to look and five to take it out, however often it was pressed.
        b.Sees("7 min");
        b.ReadsAll();
        // The same exercise in a second tab is the same, and so is what the way back shows.
        b.Driver.SwitchTo().NewWindow(WindowType.Tab);
        b.Open(exercise);
        b.Sees("16 min");
        b.Driver.Close();
        b.Driver.SwitchTo().Window(b.Driver.WindowHandles[0]);
        b.HandsIn();
        b.Sees("of 100: passed");
        Axe.Check(b, "a score on a phone");
        b.Driver.Navigate().Back();
        b.Sees("handed in, to look at");
        b.Slow(0);
        b.Open(server.Address);
        b.Sees("Three things to begin with");
    }
}

/// <summary>What a learner does in an exercise.</summary>
internal static class Learner
{
    /// <summary>Begins a course on the vehicle of a seed, as its own link does.</summary>
    public static void Begins(this Driving.Browser b, string course, int level, int seed = 3)
    {
        var id = (string)
            b.Driver.ExecuteAsyncScript(
                """
                const [course, level, seed, done] = arguments;
                fetch('/api/practice', {
                  method: 'POST', headers: { 'content-type': 'application/json' },
                  body: JSON.stringify({ id: crypto.randomUUID(), course, level, seed }),
                }).then((r) => r.json()).then((r) => done(r.id));
                """,
                course,
                level,
                seed
            )!;
        b.Open($"{new Uri(b.Driver.Url).GetLeftPart(UriPartial.Authority)}/jobs/{id}/walk-round");
        b.Sees("◇ Practice");
    }

    /// <summary>Looks into everything that may be looked at, and puts right what is found.</summary>
    public static void LooksEverywhere(this Driving.Browser b)
    {
        b.Press("Look around");
        var list = By.CssSelector("ul[aria-label='Where to look'] button");
        while (b.Driver.FindElements(list) is [var first, ..])
        {
            var says = first.GetDomProperty("textContent")!;
            b.Press(says);
            b.Until(
                d => d.FindElements(list).All(x => x.GetDomProperty("textContent") != says),
                $"what “{says}” shows"
            );
        }
        b.Press("Look around");
    }

    /// <summary>Goes to a phase of the job by the rail.</summary>
    public static void Phase(this Driving.Browser b, string path) =>
        b.Until(
            d =>
            {
                d.FindElement(By.CssSelector($"nav a[href$='/{path}']")).Click();
                return d.Url.EndsWith(path, StringComparison.Ordinal);
            },
            $"the phase {path}"
        );

    /// <summary>Does every step of the card in its order; what no sheet was given for goes on the record.</summary>
    public static void WorksThroughTheCard(this Driving.Browser b)
    {
        const string done = "Every step is done";
        b.Until(_ => b.StepNow(), "the first step");
        while (b.StepNow() is { } step)
        {
            bool Moved() =>
                b.StepNow() is { } now
                    ? !step.Is(now)
                    : b.Text.Contains(done, StringComparison.Ordinal);
            b.Press(step.Button);
            b.Until(
                _ =>
                    (Moved() && b.Text.Contains("✓ All saved", StringComparison.Ordinal))
                    || b.Text.Contains("Go on with this reason", StringComparison.Ordinal),
                $"the step after “{step.Title}”, or what stands against it"
            );
            if (!Moved())
            {
                b.Type(
                    "Why go on all the same (goes on the record)",
                    "no sheet in the practice bay"
                );
                b.Press("Go on with this reason");
                b.Until(_ => Moved(), $"the step after “{step.Title}”");
            }
        }
        b.Sees(done);
    }

    public static void HandsIn(this Driving.Browser b)
    {
        b.Press("Hand it in");
        b.Press("Hand it in for its score: yes");
        b.Sees("of 100");
    }
}
