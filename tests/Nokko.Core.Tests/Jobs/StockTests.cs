using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Pieces that come to the shelf and leave it, and whose they are.</summary>
public class StockTests
{
    private readonly Workshop _shop = new();

    private Decision Move(Part? part, int by, string? why = null) =>
        new MoveStock(_shop.Key(), part?.Id ?? Sample.Id(1), by, why).On(
            new ShopState { Part = part },
            _shop.Context()
        );

    private static Refusal Why(Decision decision) => Assert.IsType<Decision.Refused>(decision).Why;

    [Fact]
    public void What_comes_is_added_to_what_lies_there_and_no_more_leaves_than_does()
    {
        var part = _shop.Plates(4);
        var made = Assert.IsType<Decision.Made>(Move(part, -4, " broken "));
        Assert.Equal("stock: broken", made.Entry.Kind);
        Assert.Equal(0, Assert.IsType<Part>(Assert.Single(made.Changes).Row).Count);
        Assert.Equal("Only 4 of plate lie there: 5 cannot be gone.", Why(Move(part, -5)).Message);
        Assert.Equal("by", Why(Move(part, 0)).Field);
        Assert.Equal("by", Why(Move(part, 100_000)).Field);
        Assert.IsType<Decision.Made>(Move(part, 99_996));
        Assert.Equal("why", Why(Move(part, 1, new string('x', 201))).Field);
        Assert.Equal(RefusalKind.Gone, Why(Move(null, 1)).Kind);
    }

    [Fact]
    public void Each_move_tells_how_many_and_how_many_are_left()
    {
        var part = _shop.Plates(4);
        var other = _shop.Plates(1);
        var job = Sample.Id(8);
        var entry = new HistoryEntry
        {
            Id = _shop.Key(),
            Kind = "fitting begun",
            PersonId = Sample.Id(5),
            At = Sample.At(3),
        };
        var moves = StockMove.Of(
            entry,
            [
                new RowChange.Replaced(part, part with { Count = 2 }),
                new RowChange.Replaced(other, other with { Name = "renamed" }),
                new RowChange.Added(other with { Id = Sample.Id(77), Count = 3 }),
            ],
            job
        );
        Assert.Equal(
            [(part.Id, -2, 2), (Sample.Id(77), 3, 3)],
            moves.Select(m => (m.PartId, m.By, m.Left))
        );
        Assert.All(
            moves,
            m =>
                Assert.Equal(
                    (job, entry.PersonId, entry.At, "fitting begun"),
                    (m.JobId, m.PersonId, m.At, m.Does)
                )
        );
        Assert.Equal(2, moves.Select(m => m.Id).Distinct().Count());
    }

    [Theory]
    [InlineData(4, 0, 0, null)]
    [InlineData(4, 2, 0, null)]
    [InlineData(4, 3, 1, "4 on the shelf, 3 wanted by jobs that are served first")]
    [InlineData(2, 2, 2, "2 on the shelf, 2 wanted by jobs that are served first")]
    [InlineData(2, 9, 2, "2 on the shelf, 9 wanted by jobs that are served first")]
    // Where nothing lies there it is not others who stand in the way.
    [InlineData(0, 2, 2, null)]
    public void What_is_wanted_by_those_before_it_is_not_here(
        int lie,
        int wanted,
        int toOrder,
        string? says
    )
    {
        _shop.ReadBefore();
        var plate = _shop.Plates(lie);
        _shop.Do(_shop.PlanWith(plate));
        var others = new Dictionary<Guid, int> { [plate.Id] = wanted };
        ShoppingList List() =>
            ShoppingList.Of(
                _shop.Document,
                _shop.Document.DraftPlan() ?? _shop.Document.BegunPlan()!,
                JobEvaluator.Evaluate(_shop.Document).Predictions.Single(),
                _shop.Shelf,
                others
            );
        var line = List().Lines[0];
        Assert.Equal((2, toOrder, says), (line.Count!.Value, line.ToOrder!.Value, line.Why));
        if (lie >= 2)
        {
            // What is begun has its own.
            _shop.Do(_shop.Begin());
            Assert.Equal((0, null), (List().Lines[0].ToOrder!.Value, List().Lines[0].Why));
        }
    }

    [Fact]
    public void Pieces_that_are_promised_to_an_earlier_plan_are_taken_only_with_a_reason()
    {
        _shop.ReadBefore();
        var plate = _shop.Plates(3);
        _shop.Do(_shop.PlanWith(plate));
        _shop.Wanted[plate.Id] = 1;
        Assert.IsType<Decision.Made>(_shop.Try(_shop.Begin()));
        _shop.Wanted[plate.Id] = 2;
        var asked = _shop.Refused(_shop.Begin(" "));
        Assert.Equal(
            (
                RefusalKind.Gate,
                "reason",
                "Jobs that are served first, promised or taken in earlier, want 1 of plate of what this one takes. Begin all the same? Then write why."
            ),
            (asked.Kind, asked.Field, asked.Message)
        );
        _shop.Role = PersonRole.Apprentice;
        Assert.NotEqual(RefusalKind.Gate, _shop.Refused(_shop.Begin("I like it")).Kind);
        _shop.Role = PersonRole.Fitter;
        _shop.Do(_shop.Begin("the other one comes next week"));
        var deviation = Assert.Single(_shop.Document.Deviations);
        Assert.Equal(
            ("the other one comes next week", "Took them for this one."),
            (deviation.Why, deviation.Did)
        );
        Assert.Equal(1, _shop.Shelf[plate.Id].Count);
    }

    [Fact]
    public void One_reason_covers_only_what_was_asked_with_it()
    {
        // Nobody walked round it, and the plates are somebody else's.
        var plate = _shop.Plates(2) with
        {
            DueOn = new DateOnly(2027, 4, 30),
        };
        _shop.Shelf[plate.Id] = plate;
        _shop.Do(_shop.PlanWith(plate));
        _shop.Wanted[plate.Id] = 9;
        var asked = _shop.Refused(_shop.Begin()).Message;
        Assert.StartsWith("There is no prediction", asked, StringComparison.Ordinal);
        Assert.Contains("want 2 of plate", asked, StringComparison.Ordinal);
        _shop.Do(_shop.Begin("it must be gone by noon"));
        Assert.Equal(2, _shop.Document.Deviations.Count);
        // Too few are no question of whose they are.
        var short_ = new Workshop();
        var few = short_.Shelf[plate.Id] = plate with { Count = 1 };
        short_.ReadBefore();
        short_.Do(short_.PlanWith(few));
        short_.Wanted[few.Id] = 1;
        Assert.Equal(
            "The plan needs 2 of plate, the shelf holds 1; more is to come on 2027-04-30.",
            short_.Refused(short_.Begin()).Message
        );
    }
}
