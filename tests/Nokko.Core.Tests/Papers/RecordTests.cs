using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>The owner's record, line by line.</summary>
public class RecordTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    private Paper Record(Func<JobResults, JobResults>? with = null) =>
        RecordPaper.Of(
            _shop.Document,
            (with ?? (r => r))(JobEvaluator.Evaluate(_shop.Document)),
            Reader,
            Shown.OwnPaper
        );

    private void Begun(Action? before = null)
    {
        _shop.ReadBefore();
        before?.Invoke();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin());
    }

    private void ReadAfter() =>
        _shop.ReadAll(
            ("LF", "22 5/8"),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", "22 1/2")
        );

    [Fact]
    public void What_is_to_come_stands_by_its_day_and_what_was_done_says_so()
    {
        FollowUp Due(int id, string what, DateOnly? on, Quantity? at, bool done = false) =>
            new()
            {
                Id = Sample.Id(id),
                What = what,
                DueOn = on,
                DueAt = at,
                DoneAt = done ? _shop.Now : null,
            };
        Begun();
        _shop.Document = _shop.Document with
        {
            FollowUps =
            [
                Due(971, "Later", new DateOnly(2026, 5, 1), null),
                Due(972, "Done", new DateOnly(2026, 4, 1), null, done: true),
                Due(973, "Sooner", new DateOnly(2026, 3, 9), Sample.Of(12_000, Unit.Km)),
            ],
        };
        Assert.Equal(
            [
                $"Sooner: by 9 Mar 2026 or at {PaperReader.Odometer(Sample.Of(12_000, Unit.Km))}, whichever is first",
                "Done: done",
                "Later: by 1 May 2026",
            ],
            Record().Part("To come").Lines
        );
        _shop.Document = _shop.Document with { FollowUps = [] };
        Assert.Equal(["Not agreed yet."], Record().Part("To come").Lines);
    }

    [Fact]
    public void Measures_stand_before_and_after_and_what_nobody_read_is_said()
    {
        Begun(() =>
        {
            _shop.Measure(Measures.Caster, "LF", "3.5");
            _shop.Measure(Measures.Caster, "RF", "3.4");
        });
        // Not read again yet: nothing is put in the place of it.
        Assert.Equal("not read", Row("left front")[2]);
        ReadAfter();
        _shop.Measure(Measures.Caster, "LF", "2.5");
        _shop.Measure(Measures.CamberAngle, "LF", "-0.5");
        Assert.StartsWith("3.5", Row("left front")[1], StringComparison.Ordinal);
        Assert.StartsWith("2.5", Row("left front")[2], StringComparison.Ordinal);
        Assert.StartsWith("3.4", Row("right front")[1], StringComparison.Ordinal);
        Assert.Equal("not read", Row("right front")[2]);
        var camber = Record()
            .Part("Geometry")
            .Table!.Rows.Single(r => r[0].StartsWith("Camber", StringComparison.Ordinal));
        Assert.Equal("not read", camber[1]);
        Assert.Contains("0.5", camber[2], StringComparison.Ordinal);

        IReadOnlyList<string> Row(string place) =>
            Record().Part("Geometry").Row($"Caster, {place}");
    }

    [Fact]
    public void Before_anything_is_begun_there_is_no_after()
    {
        _shop.ReadBefore();
        _shop.Measure(Measures.Caster, "LF", "3.5");
        var heights = Record().Part("Heights");
        Assert.Equal(
            ["Station", "Before: as found", "Planned", "After: not measured", "Lift"],
            heights.Table!.Columns
        );
        Assert.Equal(["–", "not read", "–"], heights.Row("Left front").Skip(2));
        Assert.Equal("not read", Record().Part("Geometry").Row("Caster, left front")[2]);
    }

    [Fact]
    public void What_was_planned_stands_beside_what_came()
    {
        Begun();
        ReadAfter();
        var row = Record().Part("Heights").Row("Left front");
        // A plate of an inch in front of a coil over an arm: about two inches at the lip.
        Assert.Matches(@"^22 \d+/\d+ in ±", row[2]);
        Assert.StartsWith("20 1/2 in", row[1], StringComparison.Ordinal);
    }

    [Fact]
    public void A_kit_stands_with_its_pieces_and_its_claims_with_what_speaks_against_them()
    {
        Begun();
        ReadAfter();
        Kit Box(int id, Guid plan, string name) =>
            new()
            {
                Id = Sample.Id(id),
                PlanId = plan,
                Name = name,
                Number = "K-1",
                Pieces =
                [
                    new()
                    {
                        Name = "plate",
                        Count = 2,
                        End = KitPieceEnd.Used,
                    },
                ],
            };
        _shop.Document = _shop.Document with
        {
            Kits =
            [
                Box(981, _shop.Document.BegunPlan()!.Id, "Rowan kit"),
                Box(982, Sample.Id(1), "Other kit"),
            ],
        };
        KitClaim Claim(Axle? axle, bool? kept, params string[] but) =>
            new("Rowan kit", axle, 50.8, Result.Of(47, Unit.Mm, 2, []), kept, but);
        var lines = Record(r =>
                r with
                {
                    Proofs =
                    [
                        .. r.Proofs.Select(p =>
                            p with
                            {
                                Kits =
                                [
                                    Claim(Axle.Front, false, "no bump stops", "other springs"),
                                    Claim(null, true),
                                    Claim(Axle.Rear, null),
                                ],
                            }
                        ),
                    ],
                }
            )
            .Part("Parts fitted")
            .Lines;
        Assert.Contains("Rowan kit K-1: 2 plate.", lines);
        Assert.DoesNotContain(lines, l => l.Contains("Other kit", StringComparison.Ordinal));
        string[] claims = [.. lines.Where(l => l.Contains("claims", StringComparison.Ordinal))];
        Assert.Equal(3, claims.Length);
        Assert.StartsWith(
            "Rowan kit claims 2 in at the front: +1 ",
            claims[0],
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            "came, less than claimed (no bump stops, other springs).",
            claims[0],
            StringComparison.Ordinal
        );
        Assert.StartsWith("Rowan kit claims 2 in as a whole:", claims[1], StringComparison.Ordinal);
        Assert.EndsWith(" came.", claims[1], StringComparison.Ordinal);
        Assert.EndsWith(" came.", claims[2], StringComparison.Ordinal);
        Assert.Contains(
            lines,
            l => l.StartsWith("Front lips in this pass: +", StringComparison.Ordinal)
        );
        // Without a proof there is none of it.
        Assert.DoesNotContain(
            Record(r => r with { Proofs = [] }).Part("Parts fitted").Lines,
            l =>
                l.Contains("claims", StringComparison.Ordinal)
                || l.Contains("in this pass", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_correction_stands_with_both_values_its_place_and_why()
    {
        _shop.ReadBefore();
        Reading Of(string station) =>
            _shop.Document.Readings.Last(r => r.Place.Name == station && r.Value is not null);
        _shop.Do(_shop.Reading("LF", "20 9/16", Of("LF").Id, "hooked the liner"));
        _shop.Do(_shop.Reading("RR", "30 1/8") with { From = Datum.Own, OwnMark = "chalk" });
        _shop.Do(
            _shop.Reading("RR", "30 1/4", Of("RR").Id, "other mark") with
            {
                From = Datum.Own,
                OwnMark = "chalk",
            }
        );
        _shop.Measure(Measures.Caster, "LF", "3.5");
        var caster = _shop.Document.Readings.Last(r => r.Measure == Measures.Caster);
        _shop.Document = _shop.Document with
        {
            Readings =
            [
                .. _shop.Document.Readings,
                caster with
                {
                    Id = Sample.Id(991),
                    Value = null,
                    Supersedes = caster.Id,
                    Reason = "wrong wheel",
                },
            ],
        };
        Assert.Equal(
            [
                "Left front, hub: 20 1/2 in, corrected to 20 9/16 in by Brenna. hooked the liner",
                "Right rear, chalk: 30 1/8 in, corrected to 30 1/4 in by Brenna. other mark",
                "Caster, left front: 3.5°, taken back by Brenna. wrong wheel",
            ],
            Record().Part("Readings corrected").Lines
        );
    }

    [Fact]
    public void The_alignment_sheet_says_of_the_round_what_was_noted_and_nothing_else()
    {
        Begun();
        ReadAfter();
        string[] Facts() =>
            [
                .. AlignmentPaper
                    .Of(
                        _shop.Document,
                        JobEvaluator.Evaluate(_shop.Document),
                        Reader,
                        Shown.OwnPaper
                    )!
                    .Facts,
            ];
        var round = _shop.Document.WalkRounds[^1];
        Assert.Equal($"read {Reader.Day(round.At)}", Facts()[1]);
        Assert.DoesNotContain(" ·  · ", Facts()[0], StringComparison.Ordinal);
        Assert.EndsWith("tyres 265/70R17", Facts()[0], StringComparison.Ordinal);
        _shop.Document = _shop.Document with
        {
            WalkRounds =
            [
                .. _shop.Document.WalkRounds.SkipLast(1),
                round with
                {
                    Fuel = "half",
                    Load = "tools",
                    Tyres =
                    [
                        new() { Wheel = Corner.LF, Pressure = Sample.Of(35, Unit.Psi) },
                        new() { Wheel = Corner.RF },
                    ],
                },
            ],
        };
        Assert.Equal(
            $"read {Reader.Day(round.At)} · fuel half · load: tools · tyres LF 35 psi",
            Facts()[1]
        );
    }
}
