using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>What decides whether and where a line stands on a record.</summary>
public class RecordRulesTests
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

    private Paper WithProof(Func<PlanProof, PlanProof> with) =>
        Record(r => r with { Proofs = [.. r.Proofs.Select(with)] });

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
        _shop.ReadAll(("LF", "22 5/8"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
    }

    [Fact]
    public void What_its_owner_reads_is_on_the_first_page_and_what_an_inspector_looks_up_behind_it()
    {
        Fitted();
        var d = _shop.Document;
        _shop.Do(_shop.Reading("RF", "22 9/16", d.Readings[^1].Id, "hooked the liner"));
        d = _shop.Document;
        _shop.Document = d with
        {
            Job = d.Job with { OwnerNotes = "Torque again." },
            Cuts =
            [
                new()
                {
                    Id = Sample.Id(8100),
                    PlanId = d.BegunPlan()!.Id,
                    Where = "Tower",
                    What = "hole",
                    Kind = Core.Fitting.CutKind.Drill,
                    From = "the seam",
                    Distance = Sample.Mm(60),
                    Count = 1,
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                },
            ],
            Marks =
            [
                new()
                {
                    Id = Sample.Id(8101),
                    Where = "Cam",
                    What = "scribed",
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                },
            ],
            Attachments =
            [
                new()
                {
                    Id = Sample.Id(8102),
                    Sha256 = new string('a', 64),
                    MediaType = "image/jpeg",
                    Of = "mark:" + Sample.Id(8101),
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                },
            ],
        };
        var paper = Record();
        Assert.Equal(
            [
                "Torques",
                "Cut and drilled",
                "Marks made",
                "Readings corrected",
                "Not measured",
                "Photographs",
            ],
            paper.Sections.Where(s => s.Annex).Select(s => s.Title)
        );
        Assert.Equal(["Cam: scribed"], paper.Part("Marks made").Lines);
        // A photograph of a mark is named by it.
        Assert.Equal("1: scribed", paper.Part("Photographs").Pictures.Single().Caption);
    }

    [Fact]
    public void A_picture_without_a_place_before_anything_was_planned_has_its_caption_alone()
    {
        _shop.ReadBefore();
        Attachment Taken(string? caption) =>
            new()
            {
                Id = Sample.Id(8103),
                Sha256 = new string('a', 64),
                MediaType = "image/jpeg",
                Caption = caption,
                PersonId = Sample.Id(5),
                At = _shop.Now,
            };
        string Caption(Attachment a)
        {
            _shop.Document = _shop.Document with { Attachments = [a] };
            return Record().Part("Photographs").Pictures.Single().Caption;
        }
        Assert.Equal("1: rust", Caption(Taken("rust")));
        Assert.Equal("1: ", Caption(Taken(null)));
        // What is named twice is said once; a joint that is gone names nothing.
        Assert.Equal("1: LF strut", Caption(Taken("LF strut") with { Of = "place:LF strut" }));
        Assert.Equal("1: rust", Caption(Taken("rust") with { Of = "joint:" + Sample.Id(9) }));
    }

    [Fact]
    public void The_verdict_names_wish_and_plan_and_then_each_thing_that_was_wished()
    {
        Fitted();
        string Said(Verdict? wanted, Verdict foretold, params TargetProof[] targets) =>
            WithProof(p =>
                p with
                {
                    AsWanted = wanted,
                    AsForetold = foretold,
                    Target = targets,
                }
            ).Facts[^1];
        Assert.Equal(
            "Sits as wanted · Landed where foretold",
            Said(Verdict.Reached, Verdict.Reached)
        );
        Assert.Equal("Not where foretold", Said(null, Verdict.NotReached));
        Assert.Equal(
            "Not as wanted · Where it landed: measure again · Rake −1/2 in ± 1/8 in: not as wanted"
                + " · Front lift, at least 2 in ± 1/8 in: as wanted"
                + " · Lean in front +1/4 in ± 1/8 in: too near or too unsure to tell",
            Said(
                Verdict.NotReached,
                Verdict.MeasureAgain,
                new("rake", 0, Result.Of(-12.7, Unit.Mm, 1.5, []), Verdict.NotReached),
                new("frontLift", 50, Result.Of(50.8, Unit.Mm, 1.5, []), Verdict.Reached),
                new("leanFront", 0, Result.Of(6.35, Unit.Mm, 1.5, []), Verdict.MeasureAgain)
            )
        );
        // Without a proof nothing is said.
        Assert.Single(Record(r => r with { Proofs = [] }).Facts);
    }

    [Fact]
    public void Corners_always_stand_among_the_heights_and_what_is_between_them_where_it_was_read()
    {
        Fitted();
        // The middle marks were read before the work alone.
        var heights = Record().Part("Heights");
        Assert.Equal(6, heights.Table!.Rows.Count);
        Assert.StartsWith("41 in", heights.Row("Left middle")[1], StringComparison.Ordinal);
        Assert.Equal("not read", heights.Row("Left middle")[3]);
        Assert.Equal("–", heights.Row("Left middle")[4]);
        var d = _shop.Document;
        var first = d.WalkRounds[0].Id;
        _shop.Document = d with
        {
            Readings =
            [
                .. d.Readings.Where(r =>
                    r.WalkRoundId != first || r.Place.Name is not ("LM" or "RM" or "LF")
                ),
            ],
        };
        heights = Record().Part("Heights");
        Assert.Equal(4, heights.Table!.Rows.Count);
        Assert.Equal("not read", heights.Row("Left front")[1]);
        Assert.StartsWith("22 5/8 in", heights.Row("Left front")[3], StringComparison.Ordinal);
        Assert.Equal("–", heights.Row("Left front")[4]);
        // Read after the work alone, a middle mark stands there too.
        _shop.Document = d with
        {
            Readings =
            [
                .. d.Readings.Select(r =>
                    r.WalkRoundId == first && r.Place.Name == "LM"
                        ? r with
                        {
                            WalkRoundId = d.WalkRounds[^1].Id,
                        }
                        : r
                ),
            ],
        };
        var left = Record().Part("Heights").Row("Left middle");
        Assert.Equal("not read", left[1]);
        Assert.StartsWith("41 in", left[3], StringComparison.Ordinal);
    }

    [Fact]
    public void What_moved_is_said_with_its_sign_and_only_where_it_was_measured_and_has_a_name()
    {
        Fitted();
        var no = Result.No(Unit.Degree, "not read");
        Result Of(double value) => Result.Of(value, Unit.Degree, 0.1, []);
        var lines = WithProof(p =>
                p with
                {
                    Moved =
                    [
                        new(MechanismKind.Caster, "front", Of(-1), Of(-1.2), null),
                        new(MechanismKind.Headlights, "vehicle", Of(1.5), Of(1.4), true),
                        new(MechanismKind.Pinion, "rear", Of(2), no, null),
                    ],
                }
            )
            .Part("Geometry")
            .Lines;
        Assert.Equal(
            [
                "Front: caster, foretold −1.0 ± 0.2°, measured −1.2 ± 0.2°.",
                "Mark on the wall, up, foretold +1.5 ± 0.2°, measured +1.4 ± 0.2°, as foretold.",
            ],
            lines
        );
    }

    [Fact]
    public void An_axle_that_came_in_this_job_is_said_with_what_it_took_the_place_of()
    {
        Fitted();
        var d = _shop.Document;
        var plan = d.BegunPlan()!;
        Plan Converted(Plan of, string? sheet) =>
            of with
            {
                Conversions =
                [
                    new()
                    {
                        Axle = Axle.Front,
                        To = new() { Kind = SuspensionKind.CoilFourLink, Sheet = sheet },
                    },
                ],
            };
        string[] Lines() =>
            [
                .. Record()
                    .Part("Parts fitted")
                    .Lines.Where(l => l.Contains("in the place of", StringComparison.Ordinal)),
            ];
        _shop.Document = d with { Plans = [Converted(plan, "sheet 7")] };
        var (came, was) = (SuspensionKind.CoilFourLink.Said(), SuspensionKind.CoilOverArm.Said());
        Assert.Equal([$"Front: {came}, by sheet 7, in the place of {was}."], Lines());
        _shop.Document = d with { Plans = [Converted(plan, null)] };
        Assert.Equal([$"Front: {came}, in the place of {was}."], Lines());
        // A plan that was not begun, or another job's, brought nothing here.
        _shop.Document = d with
        {
            Plans = [plan, Converted(plan, null) with { Id = Sample.Id(8110), ToStageId = null }],
        };
        Assert.Empty(Lines());
        _shop.Document = d with
        {
            Plans = [Converted(plan, null)],
            Stages =
            [
                .. d.Stages.Select(s =>
                    s.Id == plan.ToStageId ? s with { JobId = Sample.Id(8111) } : s
                ),
            ],
        };
        Assert.Empty(Lines());
    }

    [Fact]
    public void What_was_agreed_before_the_work_stands_behind_with_its_signature_and_only_of_this_plan()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(
            new MakeQuote(_shop.Key(), _shop.Key(), [_shop.Document.DraftPlan()!.Id], 100, null)
        );
        var offer = _shop.Document.QuoteNow()!.Offers.Single();
        _shop.Do(
            new ChooseOffer(
                _shop.Key(),
                _shop.Key(),
                offer.Id,
                "Wren Quarry",
                SignedAs.Owner,
                offer.Told(),
                [
                    [10, 20, 300, 40, 500, 200, 900, 20],
                ]
            )
        );
        // Nothing is begun yet.
        Assert.DoesNotContain(Record().Sections, s => s.Title == "Agreed before the work");
        _shop.Do(_shop.Begin());
        var agreed = Record().Part("Agreed before the work");
        Assert.True(agreed.Annex);
        Assert.Equal(offer.Told(), agreed.Lines);
        Assert.StartsWith(
            "Wren Quarry, ",
            agreed.Signatures.Single().Name,
            StringComparison.Ordinal
        );
        var d = _shop.Document;
        _shop.Document = d with
        {
            Signatures = [.. d.Signatures.Select(s => s with { OfferId = Sample.Id(8120) })],
        };
        Assert.DoesNotContain(Record().Sections, s => s.Title == "Agreed before the work");
        _shop.Document = d with
        {
            Signatures = [.. d.Signatures.Select(s => s with { OfferId = null })],
        };
        Assert.DoesNotContain(Record().Sections, s => s.Title == "Agreed before the work");
    }

    [Fact]
    public void What_an_owner_is_told_stands_in_lines_of_their_own()
    {
        _shop.ReadBefore();
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { OwnerNotes = " Lamps \n\n Torque again\n" },
        };
        Assert.Equal(["Lamps", "Torque again"], Record().Part("For the owner").Lines);
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { OwnerNotes = null },
        };
        Assert.DoesNotContain(Record().Sections, s => s.Title == "For the owner");
    }

    [Theory]
    [InlineData(19.96, true, "20 lb·ft · 27 N·m")]
    [InlineData(12.34, true, "12.3 lb·ft · 16.7 N·m")]
    [InlineData(101.26, true, "101.3 lb·ft · 137 N·m")]
    [InlineData(27.12, false, "20 lb·ft · 27.1 N·m")]
    [InlineData(19.94, false, "14.7 lb·ft · 19.9 N·m")]
    public void A_torque_has_a_tenth_where_it_was_typed_and_where_a_tenth_is_worth_something(
        double value,
        bool pounds,
        string says
    )
    {
        Fitted();
        var made = Sample.Of(value, pounds ? Unit.PoundFoot : Unit.NewtonMetre);
        _shop.Document = _shop.Document with
        {
            TorqueEntries =
            [
                .. _shop.Document.TorqueEntries.Select(t =>
                    t with
                    {
                        Value = t.Value is null ? null : made,
                    }
                ),
            ],
        };
        Assert.Contains(
            Record().Part("Torques").Table!.Rows,
            r => r[1].StartsWith(says, StringComparison.Ordinal)
        );
    }
}
