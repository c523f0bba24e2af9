using CsCheck;
using Nokko.Core.Practice;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>A drawn tape is read back from its lines alone, as an eye reads it.</summary>
public sealed class DrawnTapeTests
{
    private static readonly Quantity Inches = Sample.Of(1.0 / 16, Unit.Inch);
    private static readonly Quantity Millimetres = Sample.Mm(1);

    /// <summary>The last number above the mark, the lines counted from it, and what lies between two of them by eye.</summary>
    internal static double ReadMm(TapeView tape)
    {
        var (unit, parts) = tape.Unit == Unit.Inch ? (25.4, 16) : (10.0, 10);
        var number = tape.Numbers.Where(n => n.AtMm <= 0).MaxBy(n => n.AtMm)!;
        var lines = tape.Ticks.Where(t => t.AtMm > number.AtMm + 1e-9 && t.AtMm <= 0).ToArray();
        var above = lines.Length == 0 ? number.AtMm : lines.Max(t => t.AtMm);
        var below = tape.Ticks.Where(t => t.AtMm > 0).Min(t => t.AtMm);
        var whole = double.Parse(number.Text, System.Globalization.CultureInfo.InvariantCulture);
        return unit * (whole + ((lines.Length + (-above / (below - above))) / parts));
    }

    [Fact]
    public void Held_right_it_reads_what_it_hangs_over_to_a_thirty_second() =>
        Gen.Double[300, 1400]
            .Select(Gen.Bool)
            .Sample(
                (mm, metric) =>
                    Assert.Equal(
                        mm,
                        ReadMm(DrawnTape.Of(mm, metric ? Millimetres : Inches, Datum.Hub, 0, 0)),
                        25.4 / 32
                    ),
                iter: Sample.Tries(300)
            );

    [Fact]
    public void Its_lines_are_the_longer_the_rounder_they_are()
    {
        var tape = DrawnTape.Of(20.5 * 25.4, Inches, Datum.Hub, 0, 0);
        int RankAt(double sixteenths) =>
            tape.Ticks.MinBy(t => Math.Abs(t.AtMm - (sixteenths * 25.4 / 16)))!.Rank;
        // The half lies at the mark: the whole inch eight lines on, quarters four, eighths two.
        Assert.Equal([1, 0, 2, 3, 4], new[] { 0.0, 8, 4, 2, 1 }.Select(RankAt));
        Assert.Equal(["19", "20", "21", "22"], tape.Numbers.Select(n => n.Text));
        Assert.Equal("hub centre", tape.Mark);
        // Two inches of a tape in centimetres: every fifth line is longer, every tenth has its number.
        var metric = DrawnTape.Of(520, Millimetres, Datum.Floor, 0, 0);
        Assert.Equal(Unit.Cm, metric.Unit);
        Assert.Contains(metric.Numbers, n => n.Text == "52" && Math.Abs(n.AtMm) < 1e-9);
        Assert.Equal(1, metric.Ticks.Single(t => Math.Abs(t.AtMm - 5) < 1e-9).Rank);
        Assert.Equal(2, metric.Ticks.Single(t => Math.Abs(t.AtMm - 6) < 1e-9).Rank);
        Assert.Equal("floor", metric.Mark);
    }

    [Fact]
    public void From_above_it_reads_too_little_and_from_below_too_much()
    {
        // The tape hangs 45 mm before the hub's centre; a line of sight that falls by 8° crosses it 45·tan 8° higher.
        var above = ReadMm(DrawnTape.Of(520, Inches, Datum.Hub, 0, 1));
        var below = ReadMm(DrawnTape.Of(520, Inches, Datum.Hub, 0, -1));
        Assert.Equal(520 - 6.324, above, 0.01);
        Assert.Equal(520 + 6.324, below, 0.01);
        // The floor is where the tape stands.
        Assert.Equal(900, ReadMm(DrawnTape.Of(900, Inches, Datum.Floor, 0, 2)), 0.01);
        Assert.False(DrawnTape.Of(900, Inches, Datum.Floor, 0, 2).Behind);
        Assert.True(DrawnTape.Of(900, Inches, Datum.Rim, 0, 0).Behind);
        // Nobody lies on the ceiling.
        Assert.Equal(2, DrawnTape.Of(520, Inches, Datum.Hub, 0, 9).Eye);
    }

    [Fact]
    public void A_hook_that_hangs_below_its_edge_reads_so_much_too_little()
    {
        var tape = DrawnTape.Of(520, Inches, Datum.Hub, 7, 0);
        Assert.Equal(513, ReadMm(tape), 0.01);
        Assert.Equal(7, tape.HookMm);
    }

    [Fact]
    public void Near_its_hook_a_tape_has_no_lines_below_zero()
    {
        var tape = DrawnTape.Of(20, Inches, Datum.Rim, 0, 0);
        Assert.Equal(-20, tape.Ticks.Min(t => t.AtMm), 1e-9);
        Assert.Equal("0", tape.Numbers[0].Text);
        Assert.Equal("edge of the rim", tape.Mark);
    }

    [Fact]
    public void The_tape_hangs_wrong_once_and_shows_what_it_does()
    {
        var shop = new Workshop();
        shop.Walk();
        var truth = PracticeVehicleTests.Truth() with
        {
            Flaws = [new TapeFlaw("LF", 0, 1), new TapeFlaw("RF", 7, 0)],
        };
        var round = shop.Document.WalkRounds[^1];
        TapeView Tape(string station, int? eye = null, bool hooked = false) =>
            new PracticeVehicle(shop.Document, truth, []).Tape(
                round,
                station,
                Datum.Hub,
                eye,
                hooked,
                DateTimeOffset.MaxValue
            )!;
        Assert.Equal(520 - 6.32, ReadMm(Tape("LF")), 1.2);
        Assert.Equal(520, ReadMm(Tape("LF", eye: 0)), 1.2);
        Assert.Equal(521 - 7, ReadMm(Tape("RF")), 1.2);
        Assert.Equal(521, ReadMm(Tape("RF", hooked: true)), 1.2);
        // The same look shows the same; a second read is another, and begins right.
        Assert.Equal(Tape("LR").Ticks, Tape("LR").Ticks);
        shop.Do(shop.Reading("LF", "20 1/4"));
        Assert.Equal(520, ReadMm(Tape("LF")), 1.2);
        Assert.Null(
            new PracticeVehicle(shop.Document, truth, []).Tape(
                round,
                "LF",
                Datum.Own,
                0,
                false,
                DateTimeOffset.MaxValue
            )
        );
    }
}
