using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan costs: pieces that come are paid, pieces that come or move take their hours.</summary>
public class PlanCostTests
{
    private static readonly WalkRoundStance Baseline = Sample.Stance();

    private static PlacedPart Plate(int id, double? price, string? currency, double? hours) =>
        Sample.Plate(id, 25.4) with
        {
            Price = (decimal?)price,
            Currency = currency,
            Hours = hours is { } h
                ? new Quantity
                {
                    Value = h,
                    Unit = Unit.Hour,
                    Known = Known.Estimated,
                }
                : null,
        };

    private static PlanCost Cost(Stage from, params (Corner, PlacedPart)[] parts) =>
        Predictor.Predict(Sample.Plan(parts), new Situation(from, Sample.Pickup, Baseline)).Cost!;

    [Fact]
    public void Prices_and_hours_are_summed_over_the_pieces_that_come()
    {
        var cost = Cost(
            Sample.AsFound,
            (Corner.LF, Plate(30, 35, "EUR", 1.5)),
            (Corner.RF, Plate(31, 36.5, "EUR", 2))
        );
        Assert.Equal(new PlanCost(2, 71.5m, "EUR", 3.5, 0), cost);
    }

    [Fact]
    public void What_is_not_known_is_counted_and_adds_nothing()
    {
        Assert.Equal(
            new PlanCost(2, 35m, "EUR", 2, 1),
            Cost(
                Sample.AsFound,
                (Corner.LF, Plate(30, 35, "EUR", null)),
                (Corner.RF, Plate(31, null, null, 2))
            )
        );
        Assert.Equal(
            new PlanCost(2, null, null, null, 2),
            Cost(
                Sample.AsFound,
                (Corner.LF, Plate(30, null, null, null)),
                (Corner.RF, Plate(31, null, null, null))
            )
        );
    }

    [Fact]
    public void Two_currencies_make_no_sum() =>
        Assert.Equal(
            new PlanCost(2, null, null, 2, 0),
            Cost(
                Sample.AsFound,
                (Corner.LF, Plate(30, 35, "EUR", 1)),
                (Corner.RF, Plate(31, 35, "USD", 1))
            )
        );

    [Fact]
    public void A_piece_that_moves_is_paid_and_takes_its_time_and_one_that_stays_takes_none()
    {
        var (left, right) = (Plate(30, 35, "EUR", 1), Plate(31, 36, "EUR", 2));
        var fitted = Sample.AsFound with { Stacks = Sample.Plan((Corner.LF, left)).Stacks };
        Assert.Equal(
            new PlanCost(1, 36m, "EUR", 2, 0),
            Cost(fitted, (Corner.LF, left), (Corner.RF, right))
        );
        Assert.Equal(new PlanCost(0, null, null, 1, 0), Cost(fitted, (Corner.RF, left)));
        Assert.Equal(new PlanCost(0, null, null, null, 0), Cost(fitted));
    }
}
