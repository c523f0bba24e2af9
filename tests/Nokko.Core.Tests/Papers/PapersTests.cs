using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>Papers that leave the shop: what stands on them, and what does not.</summary>
public class PapersTests
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

    private Paper? Alignment() =>
        AlignmentPaper.Of(
            _shop.Document,
            JobEvaluator.Evaluate(_shop.Document),
            Reader,
            Shown.OwnPaper
        );

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
        _shop.ReadAll(
            ("LF", "22 5/8"),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", "22 1/2")
        );
    }

    [Fact]
    public void Every_row_has_a_cell_for_each_column_and_nothing_stands_empty()
    {
        Fitted();
        foreach (var paper in new[] { Record(), Alignment()! })
        {
            Assert.All(
                paper.Sections,
                s =>
                {
                    Assert.True(
                        (s.Table?.Rows.Count ?? 0)
                            + s.Lines.Count
                            + s.Pictures.Count
                            + s.Signatures.Count
                            > 0,
                        s.Title
                    );
                    Assert.All(
                        s.Table?.Rows ?? [],
                        r => Assert.Equal(s.Table!.Columns.Count, r.Count)
                    );
                }
            );
            // Annexes come last: a first page is not torn apart.
            Assert.Equal(paper.Sections.OrderBy(s => s.Annex), paper.Sections);
        }
    }

    [Fact]
    public void Heights_stand_before_planned_and_after_with_their_uncertainty()
    {
        Fitted();
        var heights = Record().Part("Heights");
        Assert.Equal(
            ["Station", "Before: as found", "Planned", "After: after stack 1", "Lift"],
            heights.Table!.Columns
        );
        var row = heights.Row("Left front");
        Assert.StartsWith("20 1/2 in ±", row[1], StringComparison.Ordinal);
        Assert.StartsWith("22 5/8 in ±", row[3], StringComparison.Ordinal);
        Assert.StartsWith("+2 1/8 in ±", row[4], StringComparison.Ordinal);
        Assert.Equal(
            [.. new[] { "LF", "RF", "LR", "RR", "LM", "RM" }.Order()],
            _shop.Document.Vehicle.Stations.Select(s => s.Name).Order()
        );
    }

    [Fact]
    public void A_corner_that_nobody_read_is_said_and_no_height_is_made_up()
    {
        _shop.Begun();
        Assert.All(Record().Part("Heights").Table!.Rows, r => Assert.Equal("not read", r[3]));
    }

    [Fact]
    public void Plates_contacts_and_pictures_stand_there_only_where_they_are_chosen()
    {
        Fitted();
        _shop.Document = _shop.Document with
        {
            Owner = _shop.Document.Owner with { Name = "Wren Quarry", Contact = "555 0101" },
            Vehicle = _shop.Document.Vehicle with { Plate = "WQ 5 B", Vin = "1A2B3C" },
            Attachments =
            [
                new()
                {
                    Id = _shop.Key(),
                    Sha256 = new string('a', 64),
                    MediaType = "image/jpeg",
                    Of = "place:LF strut",
                    Caption = "top plate",
                    PersonId = _shop.PersonId,
                    At = _shop.Now,
                },
            ],
        };
        string Text(Shown shown) =>
            System.Text.Json.JsonSerializer.Serialize(Record(shown), JobJson.Options);
        foreach (
            var (shown, there) in new[]
            {
                (new Shown(false, false, false), Array.Empty<string>()),
                (new Shown(true, false, false), ["WQ 5 B"]),
                (new Shown(false, true, false), ["555 0101"]),
                (new Shown(false, false, true), [new string('a', 64)]),
            }
        )
        {
            var text = Text(shown);
            Assert.All(
                new[] { "WQ 5 B", "555 0101", new string('a', 64), "1A2B3C" },
                x => Assert.Equal(there.Contains(x), text.Contains(x, StringComparison.Ordinal))
            );
        }
        Assert.Equal(
            "1: LF strut, top plate",
            Record().Part("Photographs").Pictures.Single().Caption
        );
    }

    [Fact]
    public void A_joint_s_photograph_is_named_at_its_torque_and_one_of_the_vehicle_by_its_time()
    {
        Fitted();
        var d = _shop.Document;
        var joint = d.Joints.First(j =>
            d.PassesOver(j.Id, d.BegunPlan()!.Id) is [.., { Pass: Core.Fitting.Pass.Final }]
        );
        Attachment Taken(int id, string? of, DateTimeOffset at) =>
            new()
            {
                Id = Sample.Id(id),
                Sha256 = new string((char)('a' + (id % 6)), 64),
                MediaType = "image/jpeg",
                Of = of,
                PersonId = _shop.PersonId,
                At = at,
            };
        var begun = d.BegunPlan()!.BegunAt!.Value;
        _shop.Document = d with
        {
            Attachments =
            [
                Taken(960, null, begun.AddHours(-1)),
                Taken(961, $"joint:{joint.Id}", begun.AddHours(1)),
                Taken(962, null, begun.AddHours(2)),
                Taken(963, $"joint:{joint.Id}", begun.AddHours(2)),
            ],
        };
        Assert.Equal(
            [
                "1: before the work",
                $"2: {joint.Place}",
                "3: since the work began",
                $"4: {joint.Place}",
            ],
            Record().Part("Photographs").Pictures.Select(p => p.Caption)
        );
        IEnumerable<string> Joints(Paper paper) =>
            paper.Part("Torques").Table!.Rows.Select(r => r[0]);
        Assert.Single(Joints(Record()), $"{joint.Place} (photographs 2, 4)");
        // Whoever gets no photographs is not sent to look for them.
        Assert.Single(Joints(Record(new Shown(true, true, false))), joint.Place);
    }

    [Fact]
    public void Torques_stand_on_the_annex_with_what_was_asked_and_who_made_them()
    {
        Fitted();
        var torques = Record().Part("Torques");
        Assert.True(torques.Annex);
        var final = _shop.Document.TorqueEntries.Count(t => t.Pass == Core.Fitting.Pass.Final);
        Assert.True(final > 3);
        Assert.Equal(final, torques.Table!.Rows.Count);
        Assert.Contains(
            torques.Table.Rows,
            r => r[1].StartsWith("101 lb·ft · 137 N·m", StringComparison.Ordinal)
        );
        Assert.All(torques.Table.Rows, r => Assert.NotEqual("", r[3]));
    }

    [Fact]
    public void Old_parts_that_did_not_go_back_stand_there_by_name()
    {
        Fitted();
        var off = _shop.Document.OffLines[0];
        _shop.Document = _shop.Document with
        {
            OffLines =
            [
                .. _shop.Document.OffLines.Select(o =>
                    o.Id == off.Id
                        ? o with
                        {
                            Fate = Core.Fitting.Fate.Scrap,
                            FateNote = "seized",
                        }
                        : o with
                        {
                            Fate = Core.Fitting.Fate.RefitHere,
                        }
                ),
            ],
        };
        var lines = Record().Part("What became").Lines;
        Assert.Equal($"{off.What}: scrap, seized", lines[0]);
        Assert.Equal(
            $"Back where they were: {_shop.Document.OffLines.Count - 1} pieces.",
            lines[^1]
        );
    }

    [Fact]
    public void A_signature_brings_what_was_read_when_it_was_signed()
    {
        Fitted();
        var told = ToldToDriver.Of(
            _shop.Document,
            JobEvaluator.Evaluate(_shop.Document),
            LengthStyle.Inches
        );
        Assert.Equal(told, Record().Part("Told").Lines);
        _shop.Do(
            new Sign(
                _shop.Key(),
                _shop.Key(),
                "Wren",
                SignedAs.Driver,
                told,
                [
                    [0, 0, 10, 10, 20, 5, 30, 8],
                ]
            )
        );
        _shop.ReadAll(("LF", "23 5/8"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "23 1/2"));
        var part = Record().Part("Told");
        Assert.Equal(told, part.Lines);
        Assert.Equal("Wren, drives it away", part.Signatures.Single().Name);
    }

    [Fact]
    public void Troubles_of_the_drive_stand_in_a_table_and_the_rest_in_a_line()
    {
        Fitted();
        _shop.Do(
            new NoteRoadTest(
                _shop.Key(),
                _shop.Key(),
                true,
                [
                    new(RoadQuestion.Vibration, RoadTrouble.Some, "from 55"),
                    new(RoadQuestion.Pull, RoadTrouble.None, null),
                ]
            )
        );
        var drive = Record().Part("Road test");
        Assert.Equal(
            ["Vibrates", "not tried", "a little: from 55", "there; not tried before the work"],
            drive.Table!.Rows.Single()
        );
        Assert.Equal(["Tried after the work, and not so: pulls to a side."], drive.Lines);
    }

    [Fact]
    public void What_was_measured_and_not_foretold_is_said_so()
    {
        _shop.ReadBefore();
        _shop.Measure(Measures.CamberAngle, "LF", "-0.5");
        _shop.Measure(Measures.CamberAngle, "RF", "-0.5");
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin());
        _shop.ReadAll(("LF", "22 1/2"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
        _shop.Measure(Measures.CamberAngle, "LF", "0.5");
        _shop.Measure(Measures.CamberAngle, "RF", "0.5");
        var frozen = _shop.Document.FrozenPredictions.Single();
        string Camber(Result foretold)
        {
            _shop.Document = _shop.Document with
            {
                FrozenPredictions =
                [
                    frozen with
                    {
                        Prediction = frozen.Prediction with
                        {
                            Moves = [new(Core.Geometry.MechanismKind.Arms, "front", foretold)],
                        },
                    },
                ],
            };
            return Record().Part("Geometry").Lines.Single();
        }
        Assert.StartsWith(
            "Front: camber, not foretold, measured +1.0 ±",
            Camber(Result.No(Unit.Degree, "Tape its points.")),
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            ", as foretold.",
            Camber(Result.Of(1.1, Unit.Degree, 0.1, [])),
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            ", otherwise than foretold.",
            Camber(Result.Of(4, Unit.Degree, 0.1, [])),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Days_are_those_of_the_reader()
    {
        var late = new DateTimeOffset(2026, 3, 1, 23, 30, 0, TimeSpan.Zero);
        Assert.Equal("1 Mar 2026", Reader.Day(late));
        Assert.Equal(
            "2 Mar 2026, 00:30",
            PaperReader.In(LengthStyle.Inches, "Europe/Oslo").Time(late)
        );
        Assert.Equal("1 Mar 2026", PaperReader.In(LengthStyle.Inches, "Nowhere/At all").Day(late));
    }

    [Theory]
    [InlineData(-12.7, 1.5, false, "−1/2 in ± 1/8 in")]
    [InlineData(12.7, 1.5, true, "+1/2 in ± 1/8 in")]
    [InlineData(-0.2, 1.5, true, "0 in ± 1/8 in")]
    public void A_length_is_written_with_its_sign_and_twice_its_uncertainty(
        double mm,
        double u,
        bool change,
        string says
    ) => Assert.Equal(says, Reader.Says(Result.Of(mm, Unit.Mm, u, []), change));
}
