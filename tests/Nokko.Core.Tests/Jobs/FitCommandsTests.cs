using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Parts that do not fit: what is planned, begun and put on the record.</summary>
public class FitCommandsTests
{
    private const string Says = "made for Marsh, not for Drover";
    private readonly Workshop _shop = new();

    private Part PlateFor(params string[] platforms)
    {
        var part = _shop.Plates() with
        {
            Fit = new() { Platforms = [.. platforms.Select(p => new FitPlatform(p))] },
        };
        return _shop.Shelf[part.Id] = part;
    }

    private FitAnyway Anyway(string? reason, string says = Says) =>
        new(_shop.Key(), _shop.Document.DraftPlan()!.Id, 0, "plate", says, reason);

    private Need Next() => Need.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document));

    [Fact]
    public void A_plan_with_a_part_that_does_not_fit_is_not_begun_before_somebody_says_why()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(PlateFor("Marsh")));
        var refused = _shop.Refused(_shop.Begin("it is wanted"));
        Assert.Equal((RefusalKind.BadValue, "plan"), (refused.Kind, refused.Field));
        Assert.StartsWith($"plate, front: {Says}.", refused.Message, StringComparison.Ordinal);
        Assert.Equal(
            (NeedKind.MendPlan, Phase.Plan, refused.Message),
            (Next().Kind, Next().Phase, Next().Text)
        );
        Assert.Contains(
            "cannot be begun",
            Next().Say(LengthStyle.Inches),
            StringComparison.Ordinal
        );

        _shop.PersonId = Sample.Id(6);
        _shop.Do(Anyway("the same strut, compared on the bench"));
        Assert.Equal(NeedKind.BeginFitting, Next().Kind);
        _shop.PersonId = Sample.Id(5);
        _shop.Do(_shop.Begin());
        var deviation = Assert.Single(_shop.Document.Deviations);
        Assert.Equal(
            ("front", $"plate: {Says}.", "the same strut, compared on the bench"),
            (deviation.Where, deviation.SheetSays, deviation.Why)
        );
        // Who decided it, not who pressed.
        Assert.Equal(Sample.Id(6), deviation.PersonId);
    }

    [Fact]
    public void A_reason_is_for_what_was_read_and_can_be_taken_back()
    {
        _shop.ReadBefore();
        var plate = PlateFor("Marsh");
        _shop.Do(_shop.PlanWith(plate));
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(Anyway("why not", "made for Heron, not for Drover")).Kind
        );
        _shop.Do(Anyway("the same strut"));
        _shop.Do(Anyway(" "));
        Assert.Null(_shop.Document.DraftPlan()!.Anyway);
        _shop.Refused(_shop.Begin());
        _shop.Do(Anyway("the same strut"));
        _shop.Do(Anyway("the same strut, looked at again"));
        Assert.Equal(
            "the same strut, looked at again",
            Assert.Single(_shop.Document.DraftPlan()!.Anyway!).Reason
        );
        // A reason stays with the plan when it is moved about.
        var plan = _shop.Document.DraftPlan()!;
        _shop.Do(_shop.PlanWith(plate, plan.Id, "Plan B") with { Version = 0 });
        Assert.NotNull(_shop.Document.DraftPlan()!.Anyway);
        _shop.Do(_shop.Begin());
    }

    [Fact]
    public void What_nobody_knows_is_told_and_stops_nothing()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        var results = JobEvaluator.Evaluate(_shop.Document);
        var misfit = Assert.Single(results.Predictions[0].Misfits!);
        Assert.False(misfit.Known);
        Assert.Equal(NeedKind.BeginFitting, Next().Kind);
        _shop.Do(_shop.Begin());
        Assert.Empty(_shop.Document.Deviations);
    }

    [Fact]
    public void What_fits_says_nothing()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(PlateFor("Heron", "drover")));
        Assert.Null(JobEvaluator.Evaluate(_shop.Document).Predictions[0].Misfits);
    }

    [Fact]
    public void A_piece_that_stands_there_is_asked_only_whether_it_goes_with_what_comes()
    {
        _shop.ReadBefore();
        var first = PlateFor("Marsh");
        _shop.Do(_shop.PlanWith(first));
        _shop.Do(Anyway("the same strut"));
        _shop.Do(_shop.Begin());
        var stage = _shop.Document.CurrentStage()!;
        CornerPlacingsInput[] With(Guid part) =>
            [
                .. stage.Stacks.Select(s => new CornerPlacingsInput(
                    s.Corner,
                    [
                        .. s.Parts.Select(p => new PlacingInput(p.Id, null)),
                        new PlacingInput(_shop.Key(), part),
                    ]
                )),
            ];
        var second = PlateFor("Drover");
        _shop.Do(new SavePlan(_shop.Key(), _shop.Key(), null, stage.Id, "Plan B", With(second.Id)));
        // The one that was fitted all the same stands there already.
        Assert.Null(
            JobEvaluator
                .Evaluate(_shop.Document)
                .Predictions.Single(p => p.PlanId == _shop.Document.DraftPlan()!.Id)
                .Misfits
        );
        var alone = second with
        {
            Id = _shop.Key(),
            Name = "lonely plate",
            Fit = new()
            {
                AnyPlatform = true,
                Rules = [new FitRule.NotBeside(PartKind.StrutTopSpacer)],
            },
        };
        _shop.Shelf[alone.Id] = alone;
        var id = _shop.Document.DraftPlan()!.Id;
        _shop.Do(new SavePlan(_shop.Key(), id, 0, stage.Id, "Plan B", With(alone.Id)));
        var misfit = Assert.Single(
            JobEvaluator.Evaluate(_shop.Document).Predictions.Single(p => p.PlanId == id).Misfits!
        );
        Assert.Equal(
            ("lonely plate", "not together with a strut top spacer"),
            (misfit.Part, misfit.Says)
        );
    }

    [Fact]
    public void A_piece_that_stands_there_may_forbid_what_comes()
    {
        _shop.ReadBefore();
        var lonely = _shop.Plates() with
        {
            Fit = new() { AnyPlatform = true, Rules = [new FitRule.AtMost(1)] },
        };
        _shop.Shelf[lonely.Id] = lonely;
        _shop.Do(_shop.PlanWith(lonely));
        _shop.Do(_shop.Begin());
        var stage = _shop.Document.CurrentStage()!;
        var id = _shop.Key();
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                id,
                null,
                stage.Id,
                "Plan B",
                [
                    .. stage.Stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [
                            .. s.Parts.Select(p => new PlacingInput(p.Id, null)),
                            .. s.Corner == Corner.LF
                                ? [new PlacingInput(_shop.Key(), lonely.Id)]
                                : Array.Empty<PlacingInput>(),
                        ]
                    )),
                ]
            )
        );
        var misfit = Assert.Single(
            JobEvaluator.Evaluate(_shop.Document).Predictions.Single(p => p.PlanId == id).Misfits!
        );
        Assert.Equal(
            ("front", "never more than 1 at one corner", true),
            (misfit.Where, misfit.Says, misfit.Known)
        );
        Assert.Equal(NeedKind.MendPlan, Next().Kind);
    }

    [Fact]
    public void Studs_and_bores_are_noted_and_what_is_empty_is_not_known()
    {
        MateInput Mate(MateKind kind, string text, Axle axle = Axle.Front) =>
            kind.IsLength()
                ? new(axle, kind, Workshop.Typed(text, Unit.Inch), null)
                : new(axle, kind, null, text);
        _shop.Do(
            new SetMates(
                _shop.Key(),
                0,
                [
                    Mate(MateKind.BarDiameter, "7/8"),
                    Mate(MateKind.StrutStuds, " 3 × M10 on 120 "),
                    Mate(MateKind.HubBore, ""),
                    Mate(MateKind.CoilEnds, " ", Axle.Rear),
                ]
            )
        );
        var mates = _shop.Document.Vehicle.Mates!;
        Assert.Equal(2, mates.Count);
        Assert.Equal(22.225, mates[0].Is.Size!.In(Unit.Mm), 1e-9);
        Assert.Equal("3 × M10 on 120", mates[1].Is.Written);
        var twice = _shop.Refused(
            new SetMates(
                _shop.Key(),
                0,
                [Mate(MateKind.CoilEnds, "flat"), Mate(MateKind.CoilEnds, "pigtail")]
            )
        );
        Assert.Equal("mates", twice.Field);
        Assert.Equal(
            "mates[0].size",
            _shop.Refused(new SetMates(_shop.Key(), 0, [Mate(MateKind.LeafWidth, "wide")])).Field
        );
        _shop.Do(new SetMates(_shop.Key(), 0, []));
        Assert.Null(_shop.Document.Vehicle.Mates);
    }

    [Fact]
    public void A_correction_of_the_take_in_carries_the_variant_as_the_list_writes_it()
    {
        _shop.Document = _shop.Document with
        {
            Platform = _shop.Document.Platform.With(VariantAspect.Engine, ["V6 petrol"]),
        };
        CorrectTakenIn With(VariantInput? variant, string? engine) =>
            new(
                _shop.Key(),
                0,
                0,
                0,
                "Orchard",
                null,
                "Ostrel",
                "Drover",
                "SV 1",
                null,
                engine,
                null,
                null,
                null,
                null,
                null,
                null,
                Core.Plans.Equipment.Pit,
                variant
            );
        _shop.Do(With(new VariantInput(2014, Bed: "long"), "v6  PETROL"));
        var vehicle = _shop.Document.Vehicle;
        Assert.Equal(("V6 petrol", 2014, "long"), (vehicle.Engine, vehicle.Built, vehicle.Bed));
        // Without a word of it, it stays.
        _shop.Do(With(null, "V6 petrol"));
        Assert.Equal((2014, "long"), (_shop.Document.Vehicle.Built, _shop.Document.Vehicle.Bed));
        Assert.Equal("variant.built", _shop.Refused(With(new VariantInput(14), null)).Field);
    }
}
