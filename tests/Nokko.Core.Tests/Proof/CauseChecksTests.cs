using Nokko.Core.Proof;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What to check next, what each outcome does, and what it saves.</summary>
public class CauseChecksTests
{
    private static Causes.Miss Miss(params double[] mm) => CausesTests.Miss(mm);

    private static Causes.Miss Checked(
        Causes.Miss miss,
        CauseKind kind,
        string where,
        bool wasIt,
        bool onThese = true
    ) => miss with { Checked = [.. miss.Checked, new(kind, where, wasIt, onThese)] };

    private static double[] Chances(Causes causes) =>
        [.. causes.Classes.SelectMany(c => c.Causes).Select(c => c.Chance)];

    private static double Entropy(double[] chances) =>
        -chances.Where(c => c > 0).Sum(c => c * Math.Log2(c));

    private static double OfCheck(Causes causes, CauseCheck check) =>
        causes
            .Classes.SelectMany(c => c.Causes)
            .Where(c =>
                c.Kind == check.Kind && (c.Where == check.Where || c.Kind == CauseKind.NotSettled)
            )
            .Sum(c => c.Chance);

    [Fact]
    public void What_a_check_tells_is_what_entering_each_outcome_makes_of_it()
    {
        // Second way: each outcome entered, the causes computed anew from the heights.
        var miss = Miss(11, 8, -1, 2) with
        {
            FromFloor = true,
            OnMounts = true,
            NewSprings = [Axle.Front],
        };
        var now = Causes.Of(miss);
        Assert.True(now.Checks.Count > 12);
        foreach (var check in now.Checks)
        {
            var yes = Causes.Of(Checked(miss, check.Kind, check.Where, true));
            var no = Causes.Of(Checked(miss, check.Kind, check.Where, false));
            Assert.Equal(OfCheck(yes, check), check.IfIt, 9);
            Assert.Equal(OfCheck(no, check), check.IfNot, 9);
            // The chance of each outcome by what every cause says of it.
            var rule = CauseRule.Of(check.Kind);
            var mine = OfCheck(now, check);
            var sees = check.Kind == CauseKind.Slip ? (rule.Sees + rule.Cries) / 2 : rule.Sees;
            var p = (mine * sees) + ((1 - mine) * rule.Cries);
            Assert.Equal(
                Entropy(Chances(now))
                    - (p * Entropy(Chances(yes)))
                    - ((1 - p) * Entropy(Chances(no))),
                check.Bits,
                9
            );
            Assert.True(check.Bits >= 0);
            Assert.True(check.IfIt >= mine && mine >= check.IfNot);
        }
        Assert.Equal(now.Checks.OrderByDescending(c => c.BitsAMinute), now.Checks);
    }

    [Fact]
    public void What_was_ruled_out_leaves_its_chance_to_the_others_and_is_not_asked_again()
    {
        var miss = Miss(0, 0, -22, 0);
        var before = CausesTests.Of(Causes.Of(miss), CauseKind.Slip, "LR");
        var ruled = Causes.Of(Checked(miss, CauseKind.Other, "vehicle", false));
        Assert.True(CausesTests.Of(ruled, CauseKind.Slip, "LR").Chance > before.Chance);
        var check = ruled.Checks.Single(c => c.Kind == CauseKind.Other);
        Assert.Equal((false, 0.0), (check.WasIt, check.Bits));
        Assert.Equal(check, ruled.Checks.Last(c => c.Bits == 0 && c.WasIt is not null));
    }

    [Fact]
    public void What_was_found_is_it_and_on_later_readings_it_was_put_right()
    {
        var miss = Miss(9, 9, 0, 0);
        var plain = CausesTests.Of(Causes.Of(miss), CauseKind.TightenedHanging, "front").Chance;
        var found = Checked(miss, CauseKind.TightenedHanging, "front", true);
        Assert.True(
            CausesTests.Of(Causes.Of(found), CauseKind.TightenedHanging, "front").Chance > 3 * plain
        );
        Assert.True(
            CausesTests
                .Of(
                    Causes.Of(
                        Checked(miss, CauseKind.TightenedHanging, "front", true, onThese: false)
                    ),
                    CauseKind.TightenedHanging,
                    "front"
                )
                .Chance < plain
        );
    }

    [Fact]
    public void The_last_word_on_a_check_counts()
    {
        var miss = Miss(9, 9, 0, 0);
        var twice = Checked(
            Checked(miss, CauseKind.TightenedHanging, "front", true),
            CauseKind.TightenedHanging,
            "front",
            false
        );
        Assert.Equal(
            Chances(Causes.Of(Checked(miss, CauseKind.TightenedHanging, "front", false))),
            Chances(Causes.Of(twice))
        );
    }

    [Fact]
    public void A_station_that_was_read_twice_hardly_slipped_and_to_read_it_again_tells_little()
    {
        var miss = Miss(0, 0, -12, 0);
        var once = Causes.Of(miss);
        var now = Causes.Of(miss with { TwiceNow = [Corner.LR] });
        var both = Causes.Of(miss with { TwiceNow = [Corner.LR], TwiceBefore = [Corner.LR] });
        double Slip(Causes c) => CausesTests.Of(c, CauseKind.Slip, "LR").Prior;
        // Half of it may lie before the work, which no second reading now tells.
        Assert.Equal(0.55, Slip(now) / Slip(once), 0.01);
        Assert.Equal(0.1, Slip(both) / Slip(once), 0.02);
        double Bits(Causes c) =>
            c.Checks.Single(x => x is { Kind: CauseKind.Slip, Where: "LR" }).Bits;
        Assert.True(Bits(now) < Bits(once) / 3);
    }

    [Fact]
    public void The_hub_over_the_floor_tells_a_low_tyre_from_a_spring()
    {
        // The plane of the body with the left front tyre 7 mm low.
        double[] low =
        [
            .. Corners.All.Select(c =>
                -7 * CausesTests.Plane.Response(CausesTests.Lip(c).X, CausesTests.Lip(c).Y)[0]
            ),
        ];
        var miss = Miss(low) with { FromFloor = true };
        double Tyre(double hub) =>
            CausesTests
                .Of(
                    Causes.Of(
                        miss with
                        {
                            Spares = [new(Causes.SpareKind.Tyre, Corner.LF, hub, 1)],
                        }
                    ),
                    CauseKind.TyreLow,
                    "LF"
                )
                .Chance;
        var unread = CausesTests.Of(Causes.Of(miss), CauseKind.TyreLow, "LF").Chance;
        Assert.True(Tyre(-7) > 0.9);
        Assert.True(Tyre(0) < unread / 5);
        // At another wheel it says nothing for this one.
        Assert.True(
            CausesTests
                .Of(
                    Causes.Of(
                        miss with
                        {
                            Spares = [new(Causes.SpareKind.Tyre, Corner.RR, -7, 1)],
                        }
                    ),
                    CauseKind.TyreLow,
                    "LF"
                )
                .Chance < unread
        );
    }

    [Theory]
    [InlineData("left", Corner.LF, Corner.RR)]
    [InlineData("right", Corner.RF, Corner.LR)]
    public void The_body_over_its_frame_tells_crushed_mounts(string side, Corner on, Corner off)
    {
        var first = side == "left" ? 0 : 1;
        double[] low =
        [
            .. Corners.All.Select(c =>
            {
                var plane = CausesTests.Plane.Response(CausesTests.Lip(c).X, CausesTests.Lip(c).Y);
                return -8 * (plane[first] + plane[first + 2]);
            }),
        ];
        var miss = Miss(low) with { OnMounts = true };
        Causes With(params double[] frame) =>
            Causes.Of(
                miss with
                {
                    Spares =
                    [
                        new(Causes.SpareKind.Mounts, on, frame[0], 2),
                        new(Causes.SpareKind.Mounts, off, frame[1], 2),
                    ],
                }
            );
        Assert.True(CausesTests.Of(With(-8, 0), CauseKind.MountCrushed, side).Chance > 0.9);
        // Mounts that stand on the other side say that it is not those.
        Assert.True(
            CausesTests.Of(With(0, -8), CauseKind.MountCrushed, side).Chance
                < CausesTests.Of(With(0, 0), CauseKind.MountCrushed, side).Chance
        );
        Assert.True(
            CausesTests.Of(With(0, 0), CauseKind.MountCrushed, side).Chance
                < CausesTests.Of(Causes.Of(miss), CauseKind.MountCrushed, side).Chance
        );
    }

    [Fact]
    public void Another_load_is_likelier_where_the_rounds_say_so_and_springs_settle_over_miles()
    {
        var miss = Miss(1, 1, -7, -7);
        var (said, plain) = (
            CausesTests
                .Of(Causes.Of(miss with { CargoDiffers = true }), CauseKind.OtherCargo, "vehicle")
                .Chance,
            CausesTests.Of(Causes.Of(miss), CauseKind.OtherCargo, "vehicle").Chance
        );
        // By odds: the share goes from 0.02 to 0.15.
        Assert.Equal(0.15 / 0.02, said / (1 - said) / (plain / (1 - plain)), 6);
        var high = Miss(7, 7, 0, 0);
        double? Not(double km) =>
            Causes
                .Of(high with { DrivenKm = km })
                .Classes.SelectMany(c => c.Causes)
                .SingleOrDefault(c => c is { Kind: CauseKind.NotSettled, Where: "front" })
                ?.Chance;
        Assert.Equal(Not(0)!.Value, Not(160)!.Value, 9);
        Assert.Null(Not(162));
        // Noted, and alike: it is not that, and nobody is sent to load it as before.
        Assert.DoesNotContain(
            Causes.Of(miss with { CargoDiffers = false }).Checks,
            c => c.Kind == CauseKind.OtherCargo
        );
    }

    [Fact]
    public void What_a_shop_confirmed_moves_what_it_thinks_first_and_never_to_nothing()
    {
        Assert.Equal(1, CauseRule.Learned(CauseKind.Slip, new Dictionary<CauseKind, int>()));
        var kinds = Enum.GetValues<CauseKind>();
        var found = new Dictionary<CauseKind, int>
        {
            [CauseKind.NotSeated] = 6,
            [CauseKind.Slip] = 3,
            [CauseKind.TyreLow] = 1,
        };
        double By(CauseKind k) => CauseRule.Learned(k, found);
        Assert.True(By(CauseKind.NotSeated) > 1.5);
        Assert.True(By(CauseKind.SaggedMore) < 1);
        // Nothing checks these: no confirmation speaks for or against them.
        Assert.Equal(1, By(CauseKind.Nothing));
        Assert.Equal(1, By(CauseKind.LiftLine));
        // Shares of what can be checked stay what they were together, and go toward how often each was it.
        var can = kinds.Where(k => CauseRule.Of(k).HasCheck).ToArray();
        var mass = can.Sum(k => CauseRule.Of(k).Share);
        Assert.Equal(mass, can.Sum(k => CauseRule.Of(k).Share * By(k)), 9);
        var many = found.ToDictionary(f => f.Key, f => 10_000 * f.Value);
        Assert.Equal(
            0.6 * mass,
            CauseRule.Of(CauseKind.NotSeated).Share * CauseRule.Learned(CauseKind.NotSeated, many),
            0.001
        );
        Assert.Equal(0.25, CauseRule.Learned(CauseKind.SaggedMore, many));
        // And a miss is read by it.
        var miss = Miss(6, 3, 0, -1);
        Assert.True(
            CausesTests
                .Of(Causes.Of(miss with { Confirmed = found }), CauseKind.NotSeated, "LF")
                .Chance > CausesTests.Of(Causes.Of(miss), CauseKind.NotSeated, "LF").Chance
        );
    }

    [Theory]
    [InlineData(0, 0, -22, 0)]
    [InlineData(9, 9, 0, 0)]
    [InlineData(8, 3, -1, 2)]
    [InlineData(4, -5, 3, 1)]
    public void Hours_by_checking_are_what_drawn_mends_take(
        double lf,
        double rf,
        double lr,
        double rr
    )
    {
        // Second way: the cause drawn by its chance, each check by what it sees, the order asked for anew after each.
        var miss = Miss(lf, rf, lr, rr);
        var start = Causes.Of(miss);
        var random = new Random(3);
        var known = new Dictionary<int, Causes> { [0] = start };
        const int Draws = 250_000;
        var hours = 0.0;
        for (var k = 0; k < Draws; k++)
        {
            var pick = random.NextDouble();
            var truth = start
                .Classes.SelectMany(c => c.Causes)
                .First(c => (pick -= c.Chance) <= 0 || c.Kind == CauseKind.Other && pick < 1e-9);
            hours += Draw(truth);
        }
        Assert.Equal(start.CheckHours, hours / Draws, 0.02);
        Assert.True(start.CheckHours <= start.PassHours);

        double Draw(Cause truth)
        {
            var (took, at, now) = (0.0, 0, miss);
            while (true)
            {
                if (!known.TryGetValue(at, out var causes))
                {
                    known[at] = causes = Causes.Of(now);
                }
                var stays = CauseRule.Of(truth.Kind).Stays;
                // Of what stays half the time, half.
                if (!causes.CheckFirst || causes.Checks[0].Bits <= 0)
                {
                    return took + (miss.PassHours * (2 - stays));
                }
                var check = causes.Checks[0];
                took += check.Minutes / 60.0;
                var rule = CauseRule.Of(check.Kind);
                var isIt =
                    check.Kind == truth.Kind
                    && (check.Where == truth.Where || check.Kind == CauseKind.NotSettled);
                var sees =
                    !isIt ? rule.Cries
                    : check.Kind == CauseKind.Slip ? (rule.Sees + rule.Cries) / 2
                    : rule.Sees;
                if (random.NextDouble() < sees)
                {
                    return took + rule.MendHours + (isIt ? stays * miss.PassHours : miss.PassHours);
                }
                now = Checked(now, check.Kind, check.Where, false);
                at++;
            }
        }
    }

    [Fact]
    public void A_slip_is_read_again_before_a_stack_is_changed_and_what_stays_is_not()
    {
        var slip = Causes.Of(Miss(0, 0, -25, 0));
        Assert.True(slip.CheckFirst);
        Assert.Equal((CauseKind.Slip, "LR"), (slip.Checks[0].Kind, slip.Checks[0].Where));
        // A lift line that is far off, everything else ruled out: another stack.
        var ruled = slip.Checks.Aggregate(
            Miss(22, 22, 0, 0) with
            {
                LiftLineMm = _ => 15,
            },
            (miss, check) => Checked(miss, check.Kind, check.Where, false)
        );
        var line = Causes.Of(ruled);
        Assert.False(line.CheckFirst);
        Assert.Equal(CauseKind.LiftLine, line.Classes[0].Causes[0].Kind);
    }
}
