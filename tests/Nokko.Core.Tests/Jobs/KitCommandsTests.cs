using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A kit in a plan: placed as a whole, counted before it goes up, and every piece with its end.</summary>
public partial class KitCommandsTests
{
    private readonly Workshop _shop = new();

    private static PlacedPart Figures(
        PartKind kind = PartKind.StrutTopSpacer,
        double? thickness = 25.4
    ) =>
        new()
        {
            Id = Guid.Empty,
            Name = "as it will be named",
            Kind = kind,
            Thickness = thickness is { } t ? Sample.Mm(t) : null,
        };

    /// <summary>Two strut plates, two blocks behind, eight nuts.</summary>
    private Part Box(int count = 1, string name = "Alder kit", params BoxedPiece[] pieces)
    {
        var part = new Part
        {
            Id = _shop.Key(),
            Number = "K-1",
            Name = name,
            Kind = PartKind.Kit,
            Claim = Sample.Mm(45),
            Count = count,
            Price = 240,
            Currency = "EUR",
            Hours = new Quantity
            {
                Value = 4,
                Unit = Unit.Hour,
                Known = Known.Box,
            },
            Supplier = "Vale Springs",
            Contents = new KitContents
            {
                FrontClaim = Sample.Mm(50),
                RearClaim = Sample.Mm(40),
                Pieces =
                    pieces.Length > 0
                        ? pieces
                        :
                        [
                            new("strut plate", 2, [Corner.LF, Corner.RF], Figures()),
                            new("block", 2, [Corner.LR, Corner.RR], Figures(PartKind.Block, 38.1)),
                            new("flange nut", 8, []),
                        ],
                Sheet = new KitSheet("print 4, page 2", "Feed the studs.", "nuts 45 Nm", null),
            },
        };
        return _shop.Shelf[part.Id] = part;
    }

    private Kit Kit => _shop.Document.Kits[^1];
    private Plan Draft => _shop.Document.DraftPlan()!;

    private IEnumerable<string> Stands =>
        Draft.Stacks.SelectMany(s => s.Parts.Select(p => $"{s.Corner} {p.Name}"));

    private SavePlan Empty() =>
        new(_shop.Key(), _shop.Key(), null, _shop.Document.CurrentStage()!.Id, "Plan A", []);

    private Part Placed(int count = 1)
    {
        _shop.ReadBefore();
        _shop.Do(Empty());
        var box = Box(count);
        _shop.Do(Place(box));
        return box;
    }

    private PlaceKit Place(Part box) => new(_shop.Key(), _shop.Key(), Draft.Id, 0, box.Id);

    private CountKit Count(params KitPieceInput[] pieces) => new(_shop.Key(), Kit.Id, 0, pieces);

    private CountKit AllThere(bool used = false) =>
        Count([.. Kit.Pieces.Select(p => new KitPieceInput(p.Name, p.Count, Used: used))]);

    private string? Next()
    {
        var need = Need.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document));
        return need.Kind == NeedKind.MendPlan ? need.Text : need.Kind.ToString();
    }

    [Fact]
    public void A_kit_places_its_pieces_and_keeps_what_its_box_said()
    {
        var box = Placed();
        Assert.Equal(
            ["LF strut plate", "RF strut plate", "LR block", "RR block"],
            Stands.OrderBy(s => s[..2] is "LR" or "RR").ToArray()
        );
        Assert.All(Draft.Stacks.SelectMany(s => s.Parts), p => Assert.Equal(Kit.Id, p.KitId));
        // Each piece is one of its own.
        Assert.Equal(4, Draft.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).Distinct().Count());
        Assert.Equal(
            (box.Id, "Alder kit", 50d, 40d, 45d, "print 4, page 2"),
            (
                Kit.PartId,
                Kit.Name,
                Kit.FrontClaim!.In(Unit.Mm),
                Kit.RearClaim!.In(Unit.Mm),
                Kit.Claim!.In(Unit.Mm),
                Kit.Sheet!.Source
            )
        );
        // The shelf is corrected later: what is in the plan stays as it was.
        _shop.Shelf[box.Id] = box with
        {
            Name = "renamed",
            Contents = null,
        };
        Assert.Equal("Alder kit", Kit.Name);
    }

    [Fact]
    public void Where_nothing_is_planned_a_plan_begins_with_it()
    {
        _shop.ReadBefore();
        var box = Box();
        var place = new PlaceKit(_shop.Key(), _shop.Key(), _shop.Key(), null, box.Id);
        _shop.Do(place);
        Assert.Equal(
            (place.PlanId, "Plan A", true, 4),
            (Draft.Id, Draft.Name, Draft.Chosen, Stands.Count())
        );
        // A plan that somebody began meanwhile is not run over.
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(place with { Id = _shop.Key(), PlanId = _shop.Key() }).Kind
        );
    }

    [Fact]
    public void No_prediction_rests_on_what_the_box_claims()
    {
        Placed();
        Prediction Of(JobDocument d) => JobEvaluator.Evaluate(d).Predictions.Single();
        var as_is = Of(_shop.Document);
        var louder = _shop.Document with
        {
            Kits = [Kit with { FrontClaim = Sample.Mm(150), Claim = Sample.Mm(150) }],
        };
        Assert.NotNull(as_is.FrontRise.Value);
        Assert.Equal(as_is.FrontRise.Value, Of(louder).FrontRise.Value);
        Assert.Equal(
            (as_is.RearRise.Value, as_is.RearRise.U),
            (Of(louder).RearRise.Value, Of(louder).RearRise.U)
        );
    }

    [Fact]
    public void A_box_that_is_not_here_is_not_begun()
    {
        Placed(count: 0);
        _shop.Do(AllThere());
        Assert.Equal(
            "The plan needs 1 of Alder kit, the shelf holds 0.",
            _shop.Refused(_shop.Begin()).Message
        );
    }

    [Fact]
    public void A_kit_goes_with_every_piece_of_it_and_a_plan_takes_its_kits_along()
    {
        Placed();
        _shop.Do(AllThere());
        var plates = _shop.Plates();
        var draft = Draft;
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                draft.Id,
                0,
                draft.FromStageId,
                "Plan A",
                [
                    .. draft.Stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [
                            .. s.Parts.Select(p => new PlacingInput(p.Id, null)),
                            .. s.Corner == Corner.LF
                                ? new[] { new PlacingInput(_shop.Key(), plates.Id) }
                                : [],
                        ]
                    )),
                ]
            )
        );
        var out_ = new TakeKitOut(_shop.Key(), Kit.Id, 0);
        _shop.Do(out_);
        Assert.Empty(_shop.Document.Kits);
        Assert.Equal(["LF plate"], Stands);
        _shop.Do(new TakeBack(_shop.Key(), out_.CommandId));
        Assert.Equal((1, 5), (_shop.Document.Kits.Count, Stands.Count()));
        var drop = new DropPlan(_shop.Key(), draft.Id, 0);
        _shop.Do(drop);
        Assert.Empty(_shop.Document.Kits);
        _shop.Do(new TakeBack(_shop.Key(), drop.CommandId));
        Assert.Single(_shop.Document.Kits);
    }

    [Fact]
    public void Pieces_of_a_box_that_is_in_another_plan_are_not_had_for_nothing()
    {
        Placed();
        _shop.Do(AllThere());
        var first = Draft;
        _shop.Do(
            new SavePlan(
                _shop.Key(),
                _shop.Key(),
                null,
                first.FromStageId,
                "Plan B",
                [
                    .. first.Stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [.. s.Parts.Select(p => new PlacingInput(p.Id, null))]
                    )),
                ]
            )
        );
        var other = _shop.Document.DraftPlans().Single(p => p.Name == "Plan B");
        _shop.Do(new ChoosePlan(_shop.Key(), other.Id, 0));
        Assert.EndsWith(
            "comes out of a kit that is not in this plan: put the kit in, or take the piece out.",
            _shop.Refused(_shop.Begin()).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Two_boxes_do_not_bring_one_piece_to_one_corner()
    {
        Placed();
        BoxedPiece[] pieces =
        [
            new("Strut Plate", 1, [Corner.RF], Figures()),
            new("flange nut", 4, []),
        ];
        var second = Box(1, "Birch kit", pieces);
        Assert.Equal(
            "Alder kit brings strut plate to RF already: leave it out there, or take that kit out.",
            _shop.Refused(Place(second)).Message
        );
        _shop.Do(Count(new KitPieceInput("strut plate", 2, LeftOut: true, Why: "Birch ones")));
        _shop.Do(Place(second));
        Assert.Contains("RF Strut Plate", Stands);
        // Small things are as many as come.
        Assert.Equal(2, _shop.Document.Kits.Count);
    }

    [Fact]
    public void A_kit_is_no_piece_of_a_stack_and_a_box_that_nobody_opened_places_nothing()
    {
        _shop.ReadBefore();
        _shop.Do(Empty());
        var box = Box();
        Assert.Equal(
            "Alder kit is a kit: put it in as a whole.",
            _shop.Refused(_shop.PlanWith(box)).Message
        );
        _shop.Shelf[box.Id] = box with { Contents = null };
        Assert.Equal(
            "Nobody noted what is in Alder kit: write it on the shelf.",
            _shop.Refused(Place(box)).Message
        );
        foreach (var gone in new[] { box with { BinnedAt = Sample.At(1) }, _shop.Plates() })
        {
            _shop.Shelf[box.Id] = gone with { Id = box.Id };
            Assert.Contains(
                "no longer on the shelf",
                _shop.Refused(Place(box)).Message,
                StringComparison.Ordinal
            );
        }
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(new TakeKitOut(_shop.Key(), Sample.Id(1), 0)).Kind
        );
    }

    [Fact]
    public void A_kit_costs_what_its_box_costs_and_missing_pieces_are_bought()
    {
        Placed(count: 0);
        _shop.Do(
            Count(
                new KitPieceInput("strut plate", 2),
                new KitPieceInput("block", 1),
                new KitPieceInput("flange nut", 8)
            )
        );
        var prediction = JobEvaluator.Evaluate(_shop.Document).Predictions.Single();
        Assert.Equal(
            (1, 240m, "EUR", 4d, 0),
            (
                prediction.Cost!.Pieces,
                prediction.Cost.Price,
                prediction.Cost.Currency,
                prediction.Cost.Hours,
                prediction.Cost.Unpriced
            )
        );
        var list = ShoppingList.Of(_shop.Document, Draft, prediction, _shop.Shelf);
        Assert.Equal(
            [
                ("Alder kit K-1", 1, 1, "Vale Springs", null),
                ("block", 1, 1, "Vale Springs", "missing in the box of Alder kit"),
            ],
            list.Lines.Where(l => l.Kind == BuyKind.Part)
                .Select(l => (l.What, l.Count!.Value, l.ToOrder!.Value, l.Supplier!, l.Why))
        );
        Assert.Equal("rear", list.Lines[1].Where);
        Assert.Equal([new BuySum("EUR", 240, 240)], list.Sums);
    }

    [Fact]
    public void The_kit_is_asked_whether_it_fits_not_each_piece_of_it()
    {
        _shop.ReadBefore();
        _shop.Do(Empty());
        var box = Box();
        box = _shop.Shelf[box.Id] = box with
        {
            Fit = new PartFit
            {
                AnyPlatform = true,
                Rules = [new FitRule.NotWith(VariantAspect.Engine, ["V6"])],
            },
        };
        _shop.Document = _shop.Document with
        {
            Vehicle = _shop.Document.Vehicle with { Engine = "V6" },
        };
        _shop.Do(Place(box));
        _shop.Do(AllThere());
        IReadOnlyList<Misfit> Misfits() =>
            JobEvaluator.Evaluate(_shop.Document).Predictions.Single().Misfits ?? [];
        var misfit = Assert.Single(Misfits());
        Assert.Equal(
            ("vehicle", "Alder kit", "not with engine V6: this one has it", true),
            (misfit.Where, misfit.Part, misfit.Says, misfit.Known)
        );
        Assert.Contains(
            "Alder kit",
            _shop.Refused(_shop.Begin()).Message,
            StringComparison.Ordinal
        );
        _shop.Do(
            new FitAnyway(_shop.Key(), Draft.Id, 0, "Alder kit", misfit.Says, "hood was raised")
        );
        _shop.Do(_shop.Begin());
        Assert.Equal("hood was raised", _shop.Document.Deviations.Single().Why);
    }

    [Fact]
    public void What_holds_at_one_axle_only_is_said_of_that_axle()
    {
        _shop.ReadBefore();
        _shop.Do(Empty());
        var box = Box();
        _shop.Shelf[box.Id] = box with
        {
            Fit = new PartFit
            {
                AnyPlatform = true,
                Rules = [new FitRule.MustMeet(new(MateKind.LeafWidth, Sample.Mm(60)))],
            },
        };
        _shop.Do(Place(box));
        var says = JobEvaluator
            .Evaluate(_shop.Document)
            .Predictions.Single()
            .Misfits!.Select(m => (m.Where, m.Known));
        Assert.Equal([("front", true), ("rear", false)], says);
    }
}
