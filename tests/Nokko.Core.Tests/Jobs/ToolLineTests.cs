using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Tools that the shop does not have, on the list of every plan that asks for them.</summary>
public class ToolLineTests
{
    private readonly Workshop _shop = new();

    private IReadOnlyList<BuyLine> Lines(params string[] lacks)
    {
        var d = _shop.Document;
        var plan = d.DraftPlan()!;
        var prediction = JobEvaluator.Evaluate(d).Predictions.Single(p => p.PlanId == plan.Id);
        return ShoppingList.Of(d, plan, prediction, _shop.Shelf, null, lacks).Lines;
    }

    [Fact]
    public void What_the_shop_lacks_is_noted_tool_by_tool_and_its_ways_leave_it_alone()
    {
        var context = _shop.Context();
        ShopWays? ways = null;
        Note("  wheel lock ", true);
        Note("caliper", true);
        Note("Wheel lock", true);
        Assert.Equal(["caliper", "Wheel lock"], ways!.Lacks);
        Row(new SetShopWays(_shop.Key(), _shop.Key(), null, [], 5));
        Assert.Equal(["caliper", "Wheel lock"], ways!.Lacks);
        Note("CALIPER", false);
        Note("wheel lock", false);
        // Nothing lacks: as if nobody had ever noted one.
        Assert.Null(ways!.Lacks);
        Assert.Equal(0.05, ways.TorqueBand);
        Assert.Equal(
            "tool",
            Assert
                .IsType<Decision.Refused>(
                    new NoteTool(_shop.Key(), _shop.Key(), " ", true).On(
                        new ShopState { Ways = ways },
                        context
                    )
                )
                .Why.Field
        );

        void Note(string tool, bool lacking) =>
            Row(new NoteTool(_shop.Key(), _shop.Key(), tool, lacking));
        void Row(ShopCommand command) =>
            ways = Assert.IsType<ShopWays>(
                Assert
                    .Single(
                        Assert
                            .IsType<Decision.Made>(
                                command.On(new ShopState { Ways = ways }, context)
                            )
                            .Changes
                    )
                    .Row
            );
    }

    [Fact]
    public void A_tool_that_the_shop_does_not_have_is_on_the_list_with_the_step_that_asks_for_it()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        Assert.DoesNotContain(Lines(), l => l.Kind == BuyKind.Tool);
        var card = Progress.CardOf(_shop.Document, _shop.Document.DraftPlan()!);
        var tool = Assert.Single(
            Lines("Torque Wrench", "torque tree"),
            l => l.Kind == BuyKind.Tool
        );
        Assert.Equal("torque wrench", tool.What);
        Assert.Equal(
            $"for “{card.Steps.First(s => s.Tools.Contains("torque wrench")).Title}”",
            tool.Why
        );
        Assert.Equal(
            card.Steps.SelectMany(s => s.Tools).Distinct(),
            ToolLine.Of(card, []).Select(t => t.Tool)
        );
    }
}
