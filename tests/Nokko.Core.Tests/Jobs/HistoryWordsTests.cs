using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A history names what a change was about.</summary>
public class HistoryWordsTests
{
    private readonly Workshop _shop = new();

    private string About(JobCommand command) =>
        HistoryWords.About(
            _shop.Document,
            [.. _shop.Do(command).Changes.Select(RecordedChange.Of)],
            LengthStyle.Inches
        );

    [Fact]
    public void A_reading_is_named_by_its_place_and_what_was_typed()
    {
        _shop.Walk();
        Assert.Equal("left front from hub: 20 1/2 in", About(_shop.Reading("LF", "20 1/2")));
        var wrong = _shop.Document.Readings.Single();
        Assert.Equal(
            "left front from hub: 20 1/4 in",
            About(_shop.Reading("LF", "20 1/4", wrong.Id, "hooked the trim"))
        );
    }

    [Fact]
    public void A_step_names_its_work_and_a_joint_its_place()
    {
        _shop.Begun();
        var first = Progress.CardOf(_shop.Document).Steps[0];
        Assert.Contains(
            first.Work,
            About(new DoStep(_shop.Key(), _shop.Key(), first.Key, null, null, [])),
            StringComparison.Ordinal
        );
        Assert.Equal(
            "rim: the owner wants it so",
            About(
                new NoteDeviation(
                    _shop.Key(),
                    _shop.Key(),
                    "rim",
                    "says",
                    "did",
                    "the owner wants it so",
                    null
                )
            )
        );
    }

    [Fact]
    public void A_unit_that_was_typed_is_not_said_twice()
    {
        _shop.Walk();
        Assert.Equal("left front from hub: 521 mm", About(_shop.Reading("LF", "521 mm")));
    }

    [Fact]
    public void Many_things_are_counted_and_nobody_is_named()
    {
        _shop.Begun();
        var begun = _shop.Document.OffLines.Count + _shop.Document.Joints.Count;
        Assert.True(begun > 4);
        var rows = _shop
            .Document.Joints.Take(5)
            .Select(j => RecordedChange.Of(new RowChange.Added(j)));
        Assert.EndsWith(
            "; and 2 more",
            HistoryWords.About(_shop.Document, [.. rows], LengthStyle.Inches),
            StringComparison.Ordinal
        );
        var owner = RecordedChange.Of(new RowChange.Added(_shop.Document.Owner));
        Assert.Equal("", HistoryWords.About(_shop.Document, [owner], LengthStyle.Inches));
    }

    [Fact]
    public void What_came_in_with_a_file_is_named_by_the_instant_at_which_it_was_stored()
    {
        _shop.Walk();
        _shop.Do(_shop.Reading("LF", "20 1/2"));
        var entry = _shop.Document.History[^1];
        Assert.Equal(
            "left front from hub: 20 1/2 in",
            HistoryWords.ByInstant(_shop.Document, LengthStyle.Inches)[entry.Id]
        );
        // Two at one instant and one row: which of them it was is not guessed.
        var twin = entry with
        {
            Id = _shop.Key(),
        };
        var doubtful = _shop.Document with { History = [.. _shop.Document.History, twin] };
        Assert.Equal("", HistoryWords.ByInstant(doubtful, LengthStyle.Inches)[twin.Id]);
        Assert.Equal("", HistoryWords.ByInstant(doubtful, LengthStyle.Inches)[entry.Id]);
    }
}
