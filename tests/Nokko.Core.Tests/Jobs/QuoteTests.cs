using Nokko.Core.Geometry;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Plans;
using Nokko.Core.Tests.Papers;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is offered to the owner before the work, and what follows from the choice.</summary>
public class QuoteTests
{
    private static readonly IReadOnlyList<IReadOnlyList<int>> Drawn =
    [
        [10, 20, 300, 40, 500, 200, 900, 20],
    ];

    private readonly Workshop _shop = new();

    private Guid PlanOf(string name) => _shop.Document.Plans.Single(p => p.Name == name).Id;

    private Offer Offered(string name) =>
        _shop.Document.QuoteNow()!.Offers.Single(o => o.Name == name);

    private MakeQuote Quote(params string[] plans) =>
        new(_shop.Key(), _shop.Key(), [.. plans.Select(PlanOf)], 100, null);

    private ChooseOffer Choice(string name) =>
        new(
            _shop.Key(),
            _shop.Key(),
            Offered(name).Id,
            "Wren Quarry",
            SignedAs.Owner,
            Offered(name).Told(),
            Drawn
        );

    /// <summary>A level pair of plates at 35 EUR and 1.2 h each, and one without a price behind too.</summary>
    private void TwoPlans()
    {
        _shop.ReadBefore();
        var priced = _shop.Plates() with
        {
            Price = 35,
            Currency = "EUR",
            Hours = new()
            {
                Value = 1.2,
                Unit = Unit.Hour,
                Known = Known.Estimated,
            },
        };
        _shop.Shelf[priced.Id] = priced;
        _shop.Do(_shop.PlanWith(priced, name: "Level"));
        var dearer = _shop.Plates() with { Name = "thick plate", Thickness = Sample.Mm(38) };
        _shop.Shelf[dearer.Id] = dearer;
        _shop.Do(_shop.PlanWith(dearer, name: "More"));
    }

    private void Offer()
    {
        TwoPlans();
        _shop.Do(Quote("Level", "More"));
    }

    private string Says() =>
        Need.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document)).Say(LengthStyle.Inches);

    private static string Fact(Offer offer, string what) =>
        offer.Facts.Single(f => f.What == what).Says;

    [Fact]
    public void What_it_costs_is_added_up_and_what_it_leaves_out_is_named()
    {
        Offer();
        var level = Offered("Level");
        Assert.Equal(["Front, both sides: in plate (25.4 mm)."], level.GoesIn);
        // By hand: two plates at 35 and 1.2 h each, at 100 an hour.
        Assert.Equal("70 EUR", Fact(level, "Parts"));
        Assert.Equal("2.4 h, 240 EUR", Fact(level, "Work"));
        Assert.Equal("310 EUR", Fact(level, "Together"));
        Assert.DoesNotContain(
            level.LeavesOut,
            l => l.Contains("price is not known", StringComparison.Ordinal)
        );
        var more = Offered("More");
        Assert.DoesNotContain(more.Facts, f => f.What is "Parts" or "Together");
        Assert.Contains("2 × thick plate: its price is not known yet.", more.LeavesOut);
        Assert.Contains("Hours nobody noted are a rule of thumb: thick plate.", more.LeavesOut);
        Assert.DoesNotContain(
            level.LeavesOut,
            l => l.Contains("rule of thumb", StringComparison.Ordinal)
        );
        Assert.All(
            new[] { level, more },
            o =>
                Assert.Contains(
                    o.LeavesOut,
                    l => l.StartsWith("Toe and camber", StringComparison.Ordinal)
                )
        );
    }

    [Fact]
    public void How_it_will_sit_is_what_the_plan_foretells()
    {
        Offer();
        var plan = _shop.Document.Plans.Single(p => p.Name == "Level");
        var foretold = JobEvaluator
            .Evaluate(_shop.Document)
            .Predictions.Single(p => p.PlanId == plan.Id);
        Assert.Equal(
            foretold.FrontRise.Said(LengthStyle.Inches, true),
            Fact(Offered("Level"), "Front rises")
        );
        Assert.StartsWith("+", Fact(Offered("Level"), "Front rises"), StringComparison.Ordinal);
        Assert.StartsWith("It stands up to", Offered("Level").Moves[0], StringComparison.Ordinal);
    }

    [Fact]
    public void A_second_pass_tells_what_it_changes_against_today()
    {
        _shop.Begun();
        _shop.ReadAll(
            ("LF", "22 1/2"),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", "22 1/2")
        );
        // What stands in front comes out again.
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                _shop.Key(),
                null,
                _shop.Document.CurrentStage()!.Id,
                "Back",
                []
            )
        );
        _shop.Do(Quote("Back"));
        var back = Offered("Back");
        Assert.Equal(["Front, both sides: out plate (25.4 mm)."], back.GoesIn);
        Assert.Matches("^It stands up to .* lower at a corner", back.Moves[0]);
        Assert.DoesNotContain(back.Moves, m => m.Contains("higher", StringComparison.Ordinal));
    }

    [Fact]
    public void Hours_alone_are_offered_where_nobody_says_what_one_costs()
    {
        TwoPlans();
        _shop.Do(Quote("Level") with { HourRate = null });
        Assert.Equal("2.4 h", Fact(Offered("Level"), "Work"));
        Assert.DoesNotContain(Offered("Level").Facts, f => f.What == "Together");
        Assert.Contains(
            Offered("Level").LeavesOut,
            l => l.StartsWith("The work:", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_cannot_be_undone_is_told_and_nothing_else()
    {
        Offer();
        Assert.Equal(
            ["Nothing is cut or drilled for it: it can be taken out again."],
            Offered("Level").NoWayBack
        );
    }

    [Fact]
    public void What_is_drilled_for_it_is_told_as_what_cannot_be_undone()
    {
        _shop.PlanBracket();
        _shop.Do(
            new MakeQuote(_shop.Key(), _shop.Key(), [_shop.Document.DraftPlan()!.Id], null, null)
        );
        var told = _shop.Document.QuoteNow()!.Offers.Single().NoWayBack;
        Assert.NotEmpty(told);
        Assert.All(told, l => Assert.StartsWith("Cannot be undone: ", l, StringComparison.Ordinal));
    }

    [Fact]
    public void The_choice_becomes_the_plan_and_begins_without_a_question()
    {
        Offer();
        Assert.True(_shop.Document.Plans.Single(p => p.Name == "Level").Chosen);
        Assert.Contains("2 stacks: it waits for the choice", Says(), StringComparison.Ordinal);
        _shop.Do(Choice("More"));
        Assert.Contains(
            "The owner chose “More”. Begin the fitting.",
            Says(),
            StringComparison.Ordinal
        );
        Assert.Equal("More", _shop.Document.DraftPlan()!.Name);
        Assert.Single(_shop.Document.Plans, p => p.Chosen);
        var signature = _shop.Document.Signatures.Single();
        Assert.Equal(Offered("More").Told(), signature.Told);
        _shop.Do(_shop.Begin());
        Assert.Empty(_shop.Document.Deviations);
        Assert.Equal("More", _shop.Document.Agreed(_shop.Document.BegunPlan()!)!.Name);
        // It is no signature under what was told at the hand-over.
        Assert.Empty(_shop.Document.SignedNow());
    }

    [Theory]
    [InlineData(null, "has not chosen")]
    [InlineData("More", "chose “More”")]
    public void Another_plan_than_the_chosen_one_is_begun_only_with_a_reason(
        string? chosen,
        string says
    )
    {
        Offer();
        if (chosen is not null)
        {
            _shop.Do(Choice(chosen));
        }
        _shop.Do(new ChoosePlan(_shop.Key(), PlanOf("Level"), 0));
        var refused = _shop.Refused(_shop.Begin());
        Assert.Contains(
            chosen is null ? "waits for the choice" : says,
            Says(),
            StringComparison.Ordinal
        );
        Assert.Equal("reason", refused.Field);
        Assert.Contains(says, refused.Message, StringComparison.Ordinal);
        _shop.Do(_shop.Begin("agreed on the phone"));
        var deviation = _shop.Document.Deviations.Single();
        Assert.Contains(says, deviation.SheetSays, StringComparison.Ordinal);
        Assert.Equal("agreed on the phone", deviation.Why);
    }

    [Fact]
    public void A_plan_whose_parts_were_changed_is_neither_chosen_nor_begun_as_agreed()
    {
        Offer();
        var other = _shop.Plates() with { Name = "other plate" };
        _shop.Shelf[other.Id] = other;
        var changed = _shop.PlanWith(other, PlanOf("Level"), "Level") with { Version = 0 };
        _shop.Do(changed);
        Assert.Contains(
            "changed since",
            _shop.Refused(Choice("Level")).Message,
            StringComparison.Ordinal
        );

        _shop.Do(Choice("More"));
        _shop.Do(_shop.PlanWith(other, PlanOf("More"), "More") with { Version = 0 });
        Assert.Contains(
            "not those of “More”",
            _shop.Refused(_shop.Begin()).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Only_what_is_offered_now_is_chosen_once_while_it_holds_by_whose_it_is()
    {
        TwoPlans();
        var today = DateOnly.FromDateTime(_shop.Now.UtcDateTime);
        Assert.Equal(
            "holdsUntil",
            _shop.Refused(Quote("Level") with { HoldsUntil = today.AddDays(-2) }).Field
        );
        _shop.Do(Quote("Level", "More") with { HoldsUntil = today });
        var old = Choice("Level");
        Assert.Equal("as", _shop.Refused(old with { As = SignedAs.Shop }).Field);
        Assert.Equal("name", _shop.Refused(old with { Name = " " }).Field);
        Assert.Equal("strokes", _shop.Refused(old with { Strokes = [] }).Field);
        Assert.Equal("told", _shop.Refused(old with { Told = Offered("More").Told() }).Field);
        Assert.Equal("offer", _shop.Refused(old with { Offer = _shop.Key() }).Field);

        _shop.Now = _shop.Now.AddDays(3);
        Assert.Contains("day that is past", _shop.Refused(old).Message, StringComparison.Ordinal);

        _shop.Do(Quote("Level", "More"));
        Assert.Contains(
            "not offered any more",
            _shop.Refused(old).Message,
            StringComparison.Ordinal
        );
        _shop.Do(Choice("Level"));
        Assert.Contains(
            "chosen already",
            _shop.Refused(Choice("More")).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Each_offer_says_whether_it_can_be_chosen_still()
    {
        Assert.Empty(QuotePaper.Choices(_shop.Document, _shop.Now));
        TwoPlans();
        var today = DateOnly.FromDateTime(_shop.Now.UtcDateTime);
        _shop.Do(Quote("Level", "More") with { HoldsUntil = today });
        // All of its last day, wherever that is.
        Assert.All(
            QuotePaper.Choices(_shop.Document, _shop.Now.AddDays(1)),
            c => Assert.Null(c.WhyNot)
        );
        Assert.All(
            QuotePaper.Choices(_shop.Document, _shop.Now.AddDays(2)),
            c => Assert.Contains("past", c.WhyNot, StringComparison.Ordinal)
        );
        _shop.Do(new DropPlan(_shop.Key(), PlanOf("More"), 0));
        var now = QuotePaper.Choices(_shop.Document, _shop.Now);
        Assert.Equal(Offered("Level").Told(), now[0].Told);
        Assert.Null(now[0].WhyNot);
        Assert.Contains("offered no more", now[1].WhyNot, StringComparison.Ordinal);
    }

    [Fact]
    public void What_cannot_be_offered_says_why()
    {
        TwoPlans();
        Assert.Equal("plans", _shop.Refused(Quote()).Field);
        Assert.Equal("plans", _shop.Refused(Quote("Level", "Level")).Field);
        Assert.Equal("hourRate", _shop.Refused(Quote("Level") with { HourRate = -1 }).Field);
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                _shop.Key(),
                null,
                _shop.Document.CurrentStage()!.Id,
                "Nothing",
                []
            )
        );
        Assert.Contains(
            "changes nothing",
            _shop.Refused(Quote("Nothing")).Message,
            StringComparison.Ordinal
        );
        _shop.Role = PersonRole.Apprentice;
        Assert.Contains(
            "A fitter decides",
            _shop.Refused(Quote("Level")).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_choice_that_is_taken_back_leaves_the_quote_open_and_a_chosen_quote_stays()
    {
        Offer();
        var made = _shop.Document.History[^1];
        var choice = Choice("More");
        _shop.Do(choice);
        Assert.Contains(
            "changed again since",
            _shop.Refused(new TakeBack(_shop.Key(), made.Id)).Message,
            StringComparison.Ordinal
        );
        _shop.Do(new TakeBack(_shop.Key(), choice.CommandId));
        Assert.Empty(_shop.Document.Signatures);
        Assert.Null(_shop.Document.QuoteNow()!.ChosenOffer);
        Assert.Equal("Level", _shop.Document.DraftPlan()!.Name);
    }

    [Fact]
    public void A_second_pass_is_offered_anew_and_a_job_file_keeps_what_was_agreed()
    {
        Offer();
        _shop.Do(Choice("Level"));
        _shop.Do(_shop.Begin());
        Assert.Null(_shop.Document.QuoteNow());
        var read = JobFileReader.Read(JobJson.Canonical(_shop.Document)).Document!;
        Assert.Equal("Level", read.Agreed(read.BegunPlan()!)!.Name);
        var record = RecordPaper.Of(
            read,
            JobEvaluator.Evaluate(read),
            PaperReader.In(LengthStyle.Inches, null),
            Shown.OwnPaper
        );
        var agreed = record.Sections.Single(s => s.Title == "Agreed before the work");
        Assert.Contains("Together: 310 EUR", agreed.Lines);
        Assert.Equal("Wren Quarry, owner", agreed.Signatures.Single().Name);
    }

    [Fact]
    public void The_quote_lays_its_offers_side_by_side_on_paper()
    {
        Assert.Null(
            QuotePaper.Of(_shop.Document, PaperReader.In(LengthStyle.Inches, null), Shown.OwnPaper)
        );
        Offer();
        var paper = QuotePaper.Of(
            _shop.Document,
            PaperReader.In(LengthStyle.Inches, null),
            Shown.OwnPaper
        )!;
        var table = paper.Sections.Single(s => s.Title == "Side by side").Table!;
        Assert.Equal(["", "Level", "More"], table.Columns);
        Assert.Equal(["Together", "310 EUR", "–"], table.Rows.Single(r => r[0] == "Together"));
        Assert.Equal(
            [
                "Side by side",
                "Level",
                "Level: what the price leaves out",
                "More",
                "More: what the price leaves out",
            ],
            paper.Sections.Select(s => s.Title)
        );
        _shop.Do(Choice("Level"));
        paper = QuotePaper.Of(
            _shop.Document,
            PaperReader.In(LengthStyle.Inches, null),
            Shown.OwnPaper
        )!;
        Assert.Equal("Chosen: Level", paper.Facts[1]);
        Assert.Single(paper.Sections[^1].Signatures);
    }

    [Fact]
    public void Every_mechanism_that_is_beyond_its_limit_has_words_for_the_owner()
    {
        foreach (var kind in Enum.GetValues<MechanismKind>())
        {
            Assert.EndsWith(".", OfferWords.ForOwner(kind, "front"), StringComparison.Ordinal);
        }
    }
}
