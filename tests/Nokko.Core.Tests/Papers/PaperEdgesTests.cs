using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>Papers of jobs in which something is missing, or was done on one end only.</summary>
public class PaperEdgesTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    private Paper Record(JobDocument? d = null) =>
        RecordPaper.Of(
            d ?? _shop.Document,
            JobEvaluator.Evaluate(d ?? _shop.Document),
            Reader,
            Shown.OwnPaper
        );

    private Paper Alignment() =>
        AlignmentPaper.Of(
            _shop.Document,
            JobEvaluator.Evaluate(_shop.Document),
            Reader,
            Shown.OwnPaper
        )!;

    [Fact]
    public void Heights_say_from_which_datum_they_are_read_and_which_were_not()
    {
        string Title(JobDocument d) =>
            Record(d)
                .Sections.First(s => s.Title.StartsWith("Heights", StringComparison.Ordinal))
                .Title;
        Assert.StartsWith(
            "Heights, fender lip above datum",
            Title(_shop.Document),
            StringComparison.Ordinal
        );
        _shop.ReadBefore();
        var read = Record()
            .Sections.First(s => s.Title.StartsWith("Heights", StringComparison.Ordinal));
        Assert.StartsWith("Heights, fender lip above hub", read.Title, StringComparison.Ordinal);
        Assert.All(read.Table!.Rows, row => Assert.Equal("not read", row[3]));
        // Read after the work alone, it is that round whose datum is told.
        var after = new Workshop();
        after.Begun();
        var only = after.Document with { WalkRounds = [], Readings = [] };
        after.Document = only;
        after.Walk();
        after.Do(after.Reading("LF", "22 1/2"));
        Assert.StartsWith(
            "Heights, fender lip above hub",
            Title(after.Document),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_part_of_unknown_thickness_says_so_and_a_known_one_how_it_is_known()
    {
        var part = _shop.Plates() with { Thickness = Sample.Mm(25.4), Claim = null };
        _shop.Shelf[part.Id] = part;
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(part));
        _shop.Do(_shop.Begin());
        var said = string.Join("\n", Record().Part("Parts fitted").Table!.Rows.SelectMany(r => r));
        Assert.Contains("1 in (measured)", said, StringComparison.Ordinal);
        Assert.Contains("unknown", said, StringComparison.Ordinal);
    }

    [Fact]
    public void One_photograph_of_a_joint_is_one_and_two_are_two()
    {
        _shop.Begun();
        _shop.DoTheWork();
        var joint = _shop.Document.Joints.First(j =>
            j.Place == Record().Part("Torques").Table!.Rows[0][0]
        );
        Attachment Of(int n) =>
            new()
            {
                Id = Sample.Id(7000 + n),
                Sha256 = new string((char)('a' + n), 64),
                MediaType = "image/jpeg",
                Of = $"joint:{joint.Id}",
                PersonId = Sample.Id(5),
                At = Sample.At(20),
            };
        string Said(params Attachment[] pictures) =>
            string.Join(
                " ",
                Record(_shop.Document with { Attachments = pictures }).Part("Torques").Table!.Rows[
                    0
                ]
            );
        Assert.Contains("(photograph 1)", Said(Of(0)), StringComparison.Ordinal);
        Assert.Contains("(photographs 1, 2)", Said(Of(0), Of(1)), StringComparison.Ordinal);
    }

    [Fact]
    public void The_alignment_shop_is_told_of_the_end_that_was_changed_and_of_no_other()
    {
        _shop.Begun();
        var moved = Alignment().Part("What was moved").Lines;
        Assert.Contains("Front: plate.", moved);
        Assert.DoesNotContain(moved, l => l.StartsWith("Rear:", StringComparison.Ordinal));
    }

    [Fact]
    public void The_alignment_shop_is_told_what_went_back_elsewhere_or_not_at_all_and_nothing_of_the_rest()
    {
        _shop.Begun();
        _shop.DoTheWork();
        var lines = _shop.Document.OffLines;
        _shop.Document = _shop.Document with
        {
            OffLines =
            [
                lines[0] with
                {
                    Fate = Core.Fitting.Fate.Replaced,
                },
                lines[1] with
                {
                    Fate = Core.Fitting.Fate.RefitElsewhere,
                },
                .. lines.Skip(2).Select(l => l with { Fate = Core.Fitting.Fate.RefitHere }),
            ],
        };
        var moved = Alignment().Part("What was moved").Lines;
        Assert.Equal(
            lines.Take(2).Select(l => l.What),
            moved.Skip(1).Select(l => l.Split(": ")[0])
        );
    }
}
