using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>Where a shop asks for a level of practice, an apprentice's hold point needs a second pair of eyes until it is passed.</summary>
public sealed class ApprenticeTests
{
    private static (Workshop Shop, CardStep Hold) AtTheHold()
    {
        var shop = new Workshop();
        shop.Begun();
        var steps = Progress.CardOf(shop.Document).Steps;
        var hold = steps.First(s => s.HoldFor is not null);
        var before = steps.TakeWhile(s => s != hold).Last();
        shop.DoUntil(s => s.Key == before.Key);
        return (shop, hold);
    }

    private static Decision Confirm(
        Workshop shop,
        CardStep step,
        PersonRole role,
        int? level,
        string? reason = null
    )
    {
        var command = new DoStep(
            shop.Key(),
            shop.Key(),
            step.Key,
            null,
            reason,
            shop.Reached(step)
        );
        return Decision.Of(
            shop.Document,
            command,
            shop.Context(command) with
            {
                Role = role,
                LevelToPass = level,
            }
        );
    }

    [Fact]
    public void A_hold_point_waits_for_somebody_else_and_no_reason_passes_it()
    {
        var (shop, hold) = AtTheHold();
        foreach (var reason in (string?[])[null, "nobody is here"])
        {
            var refused = Assert.IsType<Decision.Refused>(
                Confirm(shop, hold, PersonRole.Apprentice, 2, reason)
            );
            Assert.Contains(
                "level 2 of “Level a pickup”",
                refused.Why.Message,
                StringComparison.Ordinal
            );
        }
        Assert.IsType<Decision.Made>(Confirm(shop, hold, PersonRole.Apprentice, null));
        Assert.IsType<Decision.Made>(Confirm(shop, hold, PersonRole.Fitter, null));
    }

    [Fact]
    public void What_is_no_hold_point_waits_for_nobody()
    {
        var shop = new Workshop();
        shop.Begun();
        var first = Progress.CardOf(shop.Document).Steps[0];
        Assert.Null(first.HoldFor);
        Assert.IsType<Decision.Made>(Confirm(shop, first, PersonRole.Apprentice, 3));
    }

    [Theory]
    [InlineData(null, true)]
    [InlineData(1, true)]
    [InlineData(3, true)]
    [InlineData(0, false)]
    [InlineData(4, false)]
    public void A_shop_asks_for_one_of_three_levels_or_none(int? level, bool taken)
    {
        var input = new ShopSettingsInput(
            Unit.Inch,
            16,
            Datum.Hub,
            null,
            null,
            null,
            "en-GB",
            ApprenticeLevel: level
        );
        if (taken)
        {
            Assert.Equal(level, input.Read().ApprenticeLevel);
        }
        else
        {
            Assert.Equal(
                "apprenticeLevel",
                Assert.Throws<RefusedException>(input.Read).Refusal.Field
            );
        }
    }
}
