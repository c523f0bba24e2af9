using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>Where a shop asks for a level of practice, an apprentice's hold points and heights need a second pair of eyes until it is passed.</summary>
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
                LevelAsked = level is { } asked
                    ? new LevelAsked(asked, new HashSet<Guid> { shop.PersonId })
                    : null,
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

    /// <summary>Whether it leaves only with a reason because an apprentice alone read it.</summary>
    private static bool LeavesOnApprenticesWord(Workshop shop, params Guid[] notPassed)
    {
        var command = new HandOver(shop.Key(), 0, null, null, [], "the owner waits");
        var left = Assert.IsType<Decision.Made>(
            Decision.Of(
                shop.Document,
                command,
                shop.Context(command) with
                {
                    LevelAsked =
                        notPassed.Length == 0 ? null : new LevelAsked(2, notPassed.ToHashSet()),
                }
            )
        );
        return left.On(shop.Document)
            .Deviations.Any(d => d.Did.Contains("apprentice read alone", StringComparison.Ordinal));
    }

    [Fact]
    public void Heights_that_an_apprentice_read_alone_prove_nothing_until_somebody_reads_at_both_ends()
    {
        var (fitter, apprentice) = (Sample.Id(5), Sample.Id(6));
        var shop = new Workshop();
        shop.Document = shop.Document with
        {
            People = [.. shop.Document.People, new Person { Id = apprentice, Name = "Linde" }],
        };
        shop.PersonId = apprentice;
        shop.ReadBefore();
        // What was read before the work proves nothing of it, whoever read it.
        Assert.False(LeavesOnApprenticesWord(shop, apprentice));
        shop.Do(shop.PlanWith(shop.Plates()));
        shop.PersonId = fitter;
        shop.Do(shop.Begin());
        shop.PersonId = apprentice;
        shop.ReadBefore();
        Assert.True(LeavesOnApprenticesWord(shop, apprentice));
        // Where the shop asks for nothing, or this one has passed, it counts.
        Assert.False(LeavesOnApprenticesWord(shop));
        Assert.False(LeavesOnApprenticesWord(shop, Sample.Id(7)));
        shop.PersonId = fitter;
        // The middle is no end, and one end is not both.
        shop.Do(shop.Reading("LM", "41"));
        shop.Do(shop.Reading("RF", "20 1/2"));
        Assert.True(LeavesOnApprenticesWord(shop, apprentice));
        var last = shop.Reading("LR", "22 7/8");
        shop.Do(last);
        Assert.False(LeavesOnApprenticesWord(shop, apprentice));
        // Somebody else's eyes that are as new do not count for it.
        Assert.True(LeavesOnApprenticesWord(shop, apprentice, fitter));
        // What was taken back was read by nobody.
        shop.Do(new TakeBack(shop.Key(), last.CommandId));
        Assert.True(LeavesOnApprenticesWord(shop, apprentice));
    }

    [Fact]
    public void The_refusal_says_who_read_alone_and_what_helps()
    {
        var apprentice = Sample.Id(6);
        var shop = new Workshop();
        shop.Document = shop.Document with
        {
            People = [.. shop.Document.People, new Person { Id = apprentice, Name = "Linde" }],
        };
        shop.Begun();
        shop.PersonId = apprentice;
        shop.ReadBefore();
        shop.PersonId = Sample.Id(5);
        var command = new HandOver(shop.Key(), 0, null, null, []);
        var why = Assert
            .IsType<Decision.Refused>(
                Decision.Of(
                    shop.Document,
                    command,
                    shop.Context(command) with
                    {
                        LevelAsked = new LevelAsked(3, new HashSet<Guid> { apprentice }),
                    }
                )
            )
            .Why;
        Assert.Equal(RefusalKind.Gate, why.Kind);
        Assert.Contains("Linde", why.Message, StringComparison.Ordinal);
        Assert.Contains("level 3 of “Level a pickup”", why.Message, StringComparison.Ordinal);
        Assert.Contains("one corner at each end", why.Message, StringComparison.Ordinal);
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
