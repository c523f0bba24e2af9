using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>What a line of the record says where the work went otherwise than usual.</summary>
public class RecordLinesTests
{
    private static readonly PaperReader Reader = PaperReader.In(LengthStyle.Inches, null);

    private readonly Workshop _shop = new();

    private Paper Record(Shown? shown = null) =>
        RecordPaper.Of(
            _shop.Document,
            JobEvaluator.Evaluate(_shop.Document),
            Reader,
            shown ?? Shown.OwnPaper
        );

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
    }

    [Fact]
    public void A_torque_says_its_angle_what_was_only_seen_what_is_open_and_where_no_spec_is()
    {
        Fitted();
        var joints = Record()
            .Part("Torques")
            .Table!.Rows.Select(r => _shop.Document.Joints.First(j => j.Place == r[0]))
            .Take(4)
            .ToArray();
        Assert.Equal(4, joints.Length);
        TorqueEntry Changed(TorqueEntry t) =>
            t.Pass != Pass.Final ? t
            : t.JointId == joints[0].Id
                ? t with
                {
                    Value = Sample.Of(50, Unit.NewtonMetre),
                    Angle = Sample.Of(90, Unit.Degree),
                }
            : t.JointId == joints[1].Id
                ? t with
                {
                    Value = null,
                    Angle = null,
                    CriterionSeen = true,
                }
            : t.JointId == joints[2].Id
                ? t with
                {
                    Value = null,
                    Angle = null,
                    CriterionSeen = false,
                    PersonId = Sample.Id(999),
                }
            : t;
        _shop.Document = _shop.Document with
        {
            TorqueEntries = [.. _shop.Document.TorqueEntries.Select(Changed)],
            Joints =
            [
                .. _shop.Document.Joints.Select(j =>
                    j.Id == joints[0].Id
                        ? j with
                        {
                            Spec = new()
                            {
                                Torque = Sample.Of(100, Unit.NewtonMetre),
                                Source = "its manual",
                            },
                        }
                    : j.Id == joints[1].Id
                        ? j with
                        {
                            Spec = new() { Criterion = "seated on its shoulder", Source = "told" },
                        }
                    : j.Id == joints[3].Id ? j with { Spec = null }
                    : j
                ),
            ],
        };
        var torques = Record().Part("Torques");
        var angled = torques.Row(joints[0].Place);
        Assert.StartsWith("37 lb·ft · 50 N·m and 90°; open: ", angled[1], StringComparison.Ordinal);
        Assert.Equal("74 lb·ft · 100 N·m (its manual)", angled[4]);
        var seen = torques.Row(joints[1].Place);
        Assert.Equal("seen", seen[1]);
        Assert.Equal("seated on its shoulder (told)", seen[4]);
        var final = torques.Row(joints[2].Place);
        Assert.StartsWith("final", final[1], StringComparison.Ordinal);
        Assert.Equal("", final[3]);
        Assert.Equal("no spec", torques.Row(joints[3].Place)[4]);
        Assert.Equal("Brenna", torques.Row(joints[3].Place)[3]);
    }

    [Fact]
    public void A_joint_that_was_loosened_again_stands_no_longer_among_what_was_made()
    {
        Fitted();
        var rows = Record().Part("Torques").Table!.Rows;
        var joint = _shop.Document.Joints.First(j => j.Place == rows[0][0]);
        var last = _shop.Document.TorqueEntries.Last(t => t.JointId == joint.Id);
        _shop.Document = _shop.Document with
        {
            TorqueEntries =
            [
                .. _shop.Document.TorqueEntries,
                last with
                {
                    Id = Sample.Id(993),
                    Pass = Pass.Snug,
                    At = last.At.AddMinutes(1),
                },
            ],
        };
        Assert.DoesNotContain(Record().Part("Torques").Table!.Rows, r => r[0] == joint.Place);
        Assert.Equal(rows.Count - 1, Record().Part("Torques").Table!.Rows.Count);
    }

    [Fact]
    public void What_was_cut_stands_with_its_size_and_from_where_and_what_was_agreed_with_whom()
    {
        Fitted();
        Cut Hole(int id, Quantity? size) =>
            new()
            {
                Id = Sample.Id(id),
                PlanId = _shop.Document.BegunPlan()!.Id,
                Where = "Axle tube",
                What = "bracket hole",
                Kind = CutKind.Drill,
                From = "the seam",
                Distance = Sample.Of(60, Unit.Mm),
                Size = size,
                Count = 2,
                PersonId = _shop.Document.People[0].Id,
                At = _shop.Now,
            };
        var step = _shop.Document.Steps[0];
        _shop.Document = _shop.Document with
        {
            Cuts = [Hole(994, Sample.Of(12, Unit.Mm)), Hole(995, null)],
            Steps = [step with { AgreedBy = "Wren Quarry" }, .. _shop.Document.Steps.Skip(1)],
        };
        var lines = Record().Part("Cut and drilled").Lines;
        Assert.Equal(3, lines.Count);
        Assert.StartsWith("Axle tube: 2 × bracket hole, ", lines[0], StringComparison.Ordinal);
        Assert.EndsWith(
            $" {Reader.Says(Sample.Of(12, Unit.Mm))}, {Reader.Says(Sample.Of(60, Unit.Mm))} from the seam",
            lines[0],
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            Reader.Says(Sample.Of(12, Unit.Mm)),
            lines[1],
            StringComparison.Ordinal
        );
        Assert.Equal($"Agreed for the owner: Wren Quarry, {Reader.Time(step.At)}", lines[2]);
    }

    [Fact]
    public void What_was_done_otherwise_stands_with_what_the_sheet_says_and_why_else_nothing_does()
    {
        Fitted();
        Assert.Equal(["Nothing."], Record().Part("Done otherwise").Lines);
        _shop.Document = _shop.Document with
        {
            Deviations =
            [
                new()
                {
                    Id = Sample.Id(996),
                    Where = "Left tower",
                    SheetSays = "Two nuts.",
                    Did = "Three.",
                    Why = "one thread was tired",
                    PersonId = _shop.Document.People[0].Id,
                    At = _shop.Now,
                },
            ],
        };
        Assert.Equal(
            ["Left tower: Two nuts. Three. Because: one thread was tired"],
            Record().Part("Done otherwise").Lines
        );
    }

    [Theory]
    [InlineData(KitPieceEnd.Used, 2, null, "2 plate")]
    [InlineData(KitPieceEnd.LeftOut, 2, "not for this one", "2 plate, left out: not for this one")]
    [InlineData(KitPieceEnd.Open, null, null, "2 plate, not counted")]
    [InlineData(KitPieceEnd.Open, 2, null, "2 plate, not used yet")]
    [InlineData(KitPieceEnd.Missing, 1, null, "2 plate, 1 missing")]
    public void A_piece_of_a_kit_says_what_became_of_it(
        KitPieceEnd end,
        int? found,
        string? why,
        string says
    )
    {
        Fitted();
        _shop.Document = _shop.Document with
        {
            Kits =
            [
                new()
                {
                    Id = Sample.Id(997),
                    PlanId = _shop.Document.BegunPlan()!.Id,
                    Name = "Rowan kit",
                    Pieces =
                    [
                        new()
                        {
                            Name = "plate",
                            Count = 2,
                            Found = found,
                            End = end,
                            Why = why,
                        },
                    ],
                },
            ],
        };
        Assert.Contains($"Rowan kit: {says}.", Record().Part("Parts fitted").Lines);
    }

    [Fact]
    public void An_old_part_is_off_until_somebody_says_what_becomes_of_it_and_one_alone_is_one_piece()
    {
        Fitted();
        var off = _shop.Document.OffLines.Take(3).ToArray();
        Assert.Equal(3, off.Length);
        _shop.Document = _shop.Document with
        {
            OffLines =
            [
                off[0] with
                {
                    Fate = null,
                },
                off[1] with
                {
                    Fate = Fate.Scrap,
                    FateNote = null,
                },
                off[2] with
                {
                    Fate = Fate.RefitHere,
                },
            ],
        };
        Assert.Equal(
            [
                $"{off[0].What}: off, not back",
                $"{off[1].What}: scrap",
                "Back where it was: 1 piece.",
            ],
            Record().Part("What became").Lines
        );
        _shop.Document = _shop.Document with { OffLines = [off[1] with { Fate = Fate.Scrap }] };
        Assert.Single(Record().Part("What became").Lines);
    }

    [Fact]
    public void A_trouble_before_that_nobody_tried_again_is_said_so()
    {
        _shop.ReadBefore();
        _shop.Do(
            new NoteRoadTest(
                _shop.Key(),
                _shop.Key(),
                false,
                [new(RoadQuestion.Vibration, RoadTrouble.Some, null)]
            )
        );
        var drive = Record().Part("Road test");
        Assert.Equal(
            ["Vibrates", "a little", "not tried", "not tried again"],
            drive.Table!.Rows.Single()
        );
        Assert.Empty(drive.Lines);
    }

    [Fact]
    public void What_is_left_to_licensed_shops_stands_by_itself_with_its_reason()
    {
        Fitted();
        FollowUp To(int id, string what, string? why) =>
            new()
            {
                Id = Sample.Id(id),
                What = what,
                Why = why,
            };
        _shop.Document = _shop.Document with
        {
            FollowUps =
            [
                To(961, $"Alignment {FollowUpSuggestion.Licensed}", "The front rose."),
                To(962, "Torque again", "It settles."),
                To(963, $"Headlights {FollowUpSuggestion.Licensed}", null),
            ],
        };
        Assert.Equal(
            [
                $"Alignment {FollowUpSuggestion.Licensed}. The front rose.",
                $"Headlights {FollowUpSuggestion.Licensed}.",
            ],
            Record().Part("Left to licensed shops").Lines
        );
    }

    [Fact]
    public void A_vehicle_without_a_plate_is_named_by_its_number_and_only_where_that_is_chosen()
    {
        _shop.ReadBefore();
        var v = _shop.Document.Vehicle;
        _shop.Document = _shop.Document with { Vehicle = v with { Plate = null, Vin = "VN1" } };
        Assert.Equal($"{v.Make} {v.Name}, VN1", Record().Heading);
        Assert.Equal($"{v.Make} {v.Name}", Record(new Shown(false, true, true)).Heading);
        _shop.Document = _shop.Document with { Vehicle = v with { Plate = "AB 1", Vin = "VN1" } };
        Assert.Equal($"{v.Make} {v.Name}, AB 1", Record().Heading);
        _shop.Document = _shop.Document with { Vehicle = v with { Plate = null, Vin = null } };
        Assert.Equal($"{v.Make} {v.Name}", Record().Heading);
    }

    [Fact]
    public void When_it_came_and_went_stands_with_the_odometer_where_it_was_noted()
    {
        _shop.ReadBefore();
        var job = _shop.Document.Job;
        _shop.Document = _shop.Document with
        {
            Job = job with { OdometerIn = null, OdometerOut = null, HandedOverAt = null },
        };
        Assert.Contains(
            $"taken in {Reader.Day(job.TakenInAt)} · not handed over yet",
            Record().Facts[0],
            StringComparison.Ordinal
        );
        var out_ = Sample.Of(81_020, Unit.Km);
        _shop.Document = _shop.Document with
        {
            Job = job with
            {
                OdometerIn = Sample.Of(81_000, Unit.Km),
                OdometerOut = out_,
                HandedOverAt = _shop.Now,
            },
        };
        Assert.Contains(
            $"taken in {Reader.Day(job.TakenInAt)} at {Reader.Says(Sample.Of(81_000, Unit.Km))} · handed over {Reader.Day(_shop.Now)} at {Reader.Says(out_)}",
            Record().Facts[0],
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_reading_that_was_passed_over_and_then_taken_says_both()
    {
        _shop.ReadBefore();
        var lf = _shop.Document.Readings.Last(r => r.Place.Name == "LF" && r.Value is not null);
        _shop.Document = _shop.Document with
        {
            Readings =
            [
                .. _shop.Document.Readings.Select(r =>
                    r.Id == lf.Id
                        ? r with
                        {
                            Value = null,
                            Skipped = true,
                            Note = "liner in the way",
                        }
                        : r
                ),
                lf with
                {
                    Id = Sample.Id(964),
                    Supersedes = lf.Id,
                    Reason = "liner off",
                    PersonId = Sample.Id(999),
                },
            ],
        };
        Assert.Equal(
            ["Left front, hub: passed over, liner in the way, corrected to 20 1/2 in. liner off"],
            Record().Part("Readings corrected").Lines
        );
    }
}
