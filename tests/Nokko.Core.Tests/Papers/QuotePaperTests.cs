using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>What the owner is given to choose from.</summary>
public class QuotePaperTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    private Paper? Quote(Shown? shown = null) =>
        QuotePaper.Of(_shop.Document, Reader, shown ?? Shown.OwnPaper);

    private void Offered()
    {
        _shop.ReadBefore();
        foreach (var (name, mm) in new[] { ("Level", 25.0), ("More", 38.0) })
        {
            var plate = _shop.Plates() with { Name = $"{name} plate", Thickness = Sample.Mm(mm) };
            _shop.Shelf[plate.Id] = plate;
            _shop.Do(_shop.PlanWith(plate, name: name));
        }
        _shop.Do(
            new MakeQuote(
                _shop.Key(),
                _shop.Key(),
                [.. _shop.Document.Plans.Select(p => p.Id)],
                100,
                null
            )
        );
    }

    [Fact]
    public void Nothing_is_written_before_anything_was_offered()
    {
        _shop.ReadBefore();
        Assert.Null(Quote());
        Assert.Empty(QuotePaper.Choices(_shop.Document, _shop.Now));
    }

    [Fact]
    public void What_is_offered_stands_side_by_side_and_then_each_with_what_goes_in_and_is_left_out()
    {
        Offered();
        var paper = Quote()!;
        var quote = _shop.Document.QuoteNow()!;
        var table = paper.Part("Side by side").Table!;
        Assert.Equal(["", "Level", "More"], table.Columns);
        foreach (var offer in quote.Offers)
        {
            var at = table.Columns.ToList().IndexOf(offer.Name);
            Assert.All(
                table.Rows,
                r =>
                    Assert.Equal(
                        offer.Facts.FirstOrDefault(f => f.What == r[0])?.Says ?? "–",
                        r[at]
                    )
            );
            Assert.Equal(
                [.. offer.GoesIn, .. offer.Moves, .. offer.NoWayBack],
                paper.Sections.Single(s => s.Title == offer.Name).Lines
            );
            Assert.Equal(
                offer.LeavesOut,
                paper
                    .Sections.Single(s => s.Title == $"{offer.Name}: what the price leaves out")
                    .Lines
            );
        }
        Assert.Equal(
            quote.Offers.SelectMany(o => o.Facts).Select(f => f.What).Distinct(),
            table.Rows.Select(r => r[0])
        );
        Assert.DoesNotContain(paper.Sections, s => s.Title == "Chosen");
        Assert.Contains("±", paper.Foot!, StringComparison.Ordinal);
    }

    [Fact]
    public void Its_head_says_for_whom_when_by_whom_and_what_was_wanted()
    {
        Offered();
        var d = _shop.Document;
        var quote = d.QuoteNow()!;
        _shop.Document = d with
        {
            Owner = d.Owner with { Contact = "01 23" },
            Job = d.Job with { Wish = "sits level" },
        };
        var by = d.People.Single(p => p.Id == quote.PersonId).Name;
        Assert.Contains(
            $"offered {Reader.Day(quote.At)} by {by}",
            Quote()!.Facts[0],
            StringComparison.Ordinal
        );
        Assert.StartsWith(d.Owner.Name, Quote()!.Facts[0], StringComparison.Ordinal);
        Assert.DoesNotContain("01 23", Quote()!.Facts[0], StringComparison.Ordinal);
        Assert.Contains(
            " · 01 23 · ",
            Quote(new Shown(true, true, true))!.Facts[0],
            StringComparison.Ordinal
        );
        Assert.Equal("Wanted: sits level", Quote()!.Facts[1]);
        _shop.Document = _shop.Document with
        {
            People = [],
            Job = _shop.Document.Job with { Wish = null },
        };
        Assert.DoesNotContain(" by ", Quote()!.Facts[0], StringComparison.Ordinal);
        Assert.Single(Quote()!.Facts);
    }

    [Fact]
    public void What_was_chosen_is_named_and_signed()
    {
        Offered();
        var offer = _shop.Document.QuoteNow()!.Offers.Single(o => o.Name == "Level");
        var choices = QuotePaper.Choices(_shop.Document, _shop.Now);
        Assert.Equal(["Level", "More"], choices.Select(c => c.Name).Order());
        Assert.Equal(offer.Told(), choices.Single(c => c.Name == "Level").Told);
        _shop.Do(
            new ChooseOffer(
                _shop.Key(),
                _shop.Key(),
                offer.Id,
                "Wren Quarry",
                SignedAs.Owner,
                offer.Told(),
                [
                    [10, 20, 300, 40, 500, 200, 900, 20],
                ]
            )
        );
        var paper = Quote()!;
        Assert.Equal("Chosen: Level", paper.Facts[1]);
        var chosen = paper.Part("Chosen");
        Assert.Equal(["Level, as it is written here."], chosen.Lines);
        Assert.StartsWith("Wren Quarry", chosen.Signatures.Single().Name, StringComparison.Ordinal);
    }
}
