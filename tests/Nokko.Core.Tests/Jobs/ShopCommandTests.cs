using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is done in the shop outside a job, and how a job opens.</summary>
public class ShopCommandTests
{
    private static readonly DecisionContext Context = new Workshop().Context();
    private static readonly Platform Drover = new() { Id = Sample.Id(3), Name = "Drover" };
    private static readonly Owner Orchard = new() { Id = Sample.Id(2), Name = "Orchard" };
    private static readonly ShopState Shop = new() { Platforms = [Drover] };

    private static readonly TakeIn Come = new(
        Sample.Id(100),
        Sample.Id(101),
        Sample.Id(1),
        Sample.Id(103),
        Sample.Id(2),
        "Orchard",
        null,
        Sample.Id(3),
        "Ostrel",
        "Drover",
        "SV 1",
        null,
        null,
        null,
        VehicleKind.Pickup,
        BodyKind.BodyOnFrame,
        SuspensionKind.CoilOverArm,
        SuspensionKind.LeafOverslung,
        new VehicleSizesInput(
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null
        ),
        [],
        null,
        null,
        null,
        new TargetInput(Datum.Hub, true, null, null, null, null),
        null,
        null,
        Equipment.TwoPostLift
    );

    [Fact]
    public void All_that_cannot_be_taken_is_named_at_once_and_what_can_is_not()
    {
        static QuantityInput Typed(string text) => new(text, Unit.Mm, Known.Measured);
        var why = Refused(
            Come with
            {
                OwnerName = " ",
                Make = "",
                Plate = null,
                PlatformId = Sample.Id(99),
                Sort = null,
                Equipment = null,
                Sizes = Come.Sizes with
                {
                    Wheelbase = Typed("2 7.8"),
                    SillHeight = Typed("480"),
                    TyreSize = "round ones",
                },
                Target = Come.Target with { LeastRearLift = Typed("a bit") },
                Fitted = [new(Sample.Id(7), Corner.LF, "", PartKind.StrutTopSpacer, null, null)],
            },
            Shop
        );
        Assert.Equal(
            [
                "equipment",
                "fitted[0].name",
                "make",
                "ownerName",
                "plate",
                "platformId",
                "sizes.tyreSize",
                "sizes.wheelbase",
                "sort",
                "target.leastRearLift",
            ],
            why.Also.Select(f => f.Field).Append(why.Field).Order(StringComparer.Ordinal)
        );
        Assert.All(why.Also, f => Assert.NotEmpty(f.Message));
        Assert.IsType<Decision.Made>(Come.On(Shop, Context));
        // Of a vehicle that is known nobody asks what it is.
        var again = Refused(
            Come with
            {
                Plate = null,
                Make = "",
                PlatformId = null,
                Sort = null,
                Equipment = null,
            },
            Shop with
            {
                Vehicle = new KnownVehicle(Sample.Pickup, [Sample.AsFound], null),
            }
        );
        Assert.Equal("equipment", again.Field);
        Assert.Empty(again.Also);
    }

    private static Refusal Refused(ShopCommand command, ShopState state) =>
        Assert.IsType<Decision.Refused>(command.On(state, Context)).Why;

    private static IReadOnlyList<RowChange> Made(ShopCommand command, ShopState state) =>
        Assert.IsType<Decision.Made>(command.On(state, Context)).Changes;

    private static T Row<T>(IReadOnlyList<RowChange> changes) =>
        Assert.Single(changes.Select(c => c.Row).OfType<T>());

    [Fact]
    public void A_vehicle_that_comes_for_the_first_time_opens_its_chain_as_found()
    {
        var made = Made(Come, Shop);
        var stage = Row<Stage>(made);
        Assert.Equal((0, "as found", Come.JobId), (stage.Ordinal, stage.Name, stage.JobId));
        Assert.Equal(SuspensionKind.LeafOverslung, stage.Rear.Kind);
        Assert.Equal(stage.Id, Row<Job>(made).StageId);
        Assert.Equal(Come.OwnerId, Row<Owner>(made).Id);
        Assert.Equal("Brenna", Row<Person>(made).Name);
        // An owner of this name is this owner.
        var known = Made(Come, Shop with { Owners = [Orchard with { Id = Sample.Id(66) }] });
        Assert.Empty(known.Select(c => c.Row).OfType<Owner>());
        Assert.Equal(Sample.Id(66), Row<Vehicle>(known).OwnerId);
    }

    private static SetShopWays Ways(
        double? band = null,
        uint? version = null,
        params ShopWay[] ways
    ) => new(Sample.Id(200), Sample.Id(201), version, ways, band);

    [Fact]
    public void The_shop_s_ways_go_with_a_job_that_is_taken_in_each_with_its_why()
    {
        var ways = Row<ShopWays>(
            Made(
                Ways(
                    8,
                    null,
                    new ShopWay("openArm", "lowerBracket", "no separator here"),
                    new ShopWay("sides", "together", " ")
                ),
                Shop
            )
        );
        Assert.Equal(0.08, ways.TorqueBand!.Value, 12);
        var made = Made(Come, Shop with { Ways = ways });
        Assert.Equal(ways.TorqueBand, Row<Job>(made).TorqueBand);
        var schools = made.Select(c => c.Row).OfType<SchoolChoice>().ToArray();
        Assert.Equal(
            [
                ("openArm", "lowerBracket", "no separator here"),
                ("sides", "together", "the shop's way"),
            ],
            schools.Select(s => (s.School, s.Choice, s.Why!))
        );
        Assert.Equal(2, schools.Select(s => s.Id).Distinct().Count());
        Assert.Equal(OpenArm.LowerBracket, FittingSchools.Of(schools).OpenArm);
        Assert.Empty(Made(Come, Shop).Select(c => c.Row).OfType<SchoolChoice>());
    }

    [Theory]
    [InlineData(0.9, "torqueBand")]
    [InlineData(20.1, "torqueBand")]
    [InlineData(1, null)]
    [InlineData(20, null)]
    public void A_band_is_between_one_and_twenty_in_a_hundred(double band, string? field)
    {
        var decision = Ways(band).On(Shop, Context);
        Assert.Equal(field, (decision as Decision.Refused)?.Why.Field);
    }

    [Fact]
    public void Ways_are_known_ones_one_for_each_question_and_nobody_s_change_is_lost()
    {
        Assert.Equal(
            "ways[1]",
            Refused(
                Ways(null, null, new("sides", "together", null), new("sides", "blue", null)),
                Shop
            ).Field
        );
        Assert.Equal(
            "ways[0]",
            Refused(Ways(null, null, new ShopWay("colour", "red", null)), Shop).Field
        );
        Assert.Equal(
            "ways",
            Refused(
                Ways(null, null, new("sides", "together", null), new("sides", "oneByOne", null)),
                Shop
            ).Field
        );
        var was = new ShopWays { Id = Sample.Id(77), TorqueBand = 0.1 };
        var state = Shop with { Ways = was };
        var seen = Context with { Versions = new Dictionary<Guid, uint> { [was.Id] = 4 } };
        Assert.Equal(
            RefusalKind.Conflict,
            Assert.IsType<Decision.Refused>(Ways(null, 3).On(state, seen)).Why.Kind
        );
        var change = Assert.IsType<RowChange.Replaced>(
            Assert.Single(Assert.IsType<Decision.Made>(Ways(null, 4).On(state, seen)).Changes)
        );
        Assert.Equal((was, was.Id), (change.Was, change.Row.Id));
        Assert.Null(((ShopWays)change.Row).TorqueBand);
    }

    [Fact]
    public void A_tip_names_who_wrote_it_and_goes_once()
    {
        AddTip On(OperationKind kind, string text) =>
            new(Sample.Id(210), Sample.Id(211), kind, text);
        var tip = Row<Tip>(Made(On(OperationKind.Strut, "two jacks"), Shop));
        Assert.Equal(
            (OperationKind.Strut, "two jacks", "Brenna", Context.Now),
            (tip.Operation, tip.Text, tip.PersonName, tip.At)
        );
        Assert.Equal("text", Refused(On(OperationKind.Strut, " "), Shop).Field);
        Assert.Equal("operation", Refused(On((OperationKind)99, "x"), Shop).Field);
        var drop = new DropTip(Sample.Id(212), tip.Id);
        Assert.IsType<RowChange.Withdrawn>(Assert.Single(Made(drop, Shop with { Tip = tip })));
        Assert.Equal(RefusalKind.Gone, Refused(drop, Shop).Kind);
    }

    [Fact]
    public void What_is_missing_or_cannot_be_is_said_at_its_field()
    {
        Assert.Equal("ownerName", Refused(Come with { OwnerName = " " }, Shop).Field);
        Assert.Equal("plate", Refused(Come with { Plate = " " }, Shop).Field);
        Assert.Equal("platformId", Refused(Come, new ShopState()).Field);
        Assert.Equal("make", Refused(Come with { Make = "" }, Shop).Field);
    }

    [Fact]
    public void A_known_vehicle_goes_on_in_its_chain_and_what_was_fitted_meanwhile_is_a_stage_of_its_own()
    {
        var last = Sample.AsFound with { Id = Sample.Id(11), Ordinal = 1, Name = "after stack 1" };
        var state = Shop with
        {
            Owners = [Orchard],
            Vehicle = new KnownVehicle(Sample.Pickup, [Sample.AsFound, last], null),
        };
        var again = Made(Come with { Fitted = null }, state);
        Assert.Equal(last.Id, Row<Job>(again).StageId);
        Assert.DoesNotContain(again, c => c.Row is Stage or Vehicle);

        var changed = Made(
            Come with
            {
                Fitted =
                [
                    new FittedInput(Sample.Id(9), Corner.LR, "a block", PartKind.Block, null, null),
                ],
            },
            state
        );
        var stage = Row<Stage>(changed);
        Assert.Equal((2, last.Front), (stage.Ordinal, stage.Front));
        Assert.Equal(stage.Id, Row<Job>(changed).StageId);

        var sold = Made(
            Come with
            {
                Fitted = null,
                OwnerName = "River survey",
                OwnerId = Sample.Id(70),
            },
            state
        );
        Assert.Equal(Sample.Id(70), Row<Vehicle>(sold).OwnerId);

        var open = Refused(
            Come with
            {
                Fitted = null,
            },
            state with
            {
                Vehicle = state.Vehicle! with { OpenJob = Sample.Id(4) },
            }
        );
        Assert.Equal((RefusalKind.Conflict, Sample.Id(4)), (open.Kind, open.Row));
    }

    private static readonly SavePart Plate = Workshop.SavePlate();

    [Fact]
    public void A_part_is_kept_edited_binned_and_put_back()
    {
        var part = Row<Part>(Made(Plate, new ShopState()));
        Assert.Equal((2, "EUR"), (part.Count, part.Currency));
        var state = new ShopState { Part = part };
        var edited = Assert.IsType<RowChange.Replaced>(
            Assert.Single(Made(Plate with { Count = 5 }, state))
        );
        Assert.Equal(5, ((Part)edited.Row).Count);
        var stale = Assert
            .IsType<Decision.Refused>(
                Plate.On(
                    state,
                    Context with
                    {
                        Versions = new Dictionary<Guid, uint> { [part.Id] = 4 },
                    }
                )
            )
            .Why;
        Assert.Equal((RefusalKind.Conflict, (object)part), (stale.Kind, stale.Theirs!));
        var binned = Row<Part>(Made(new BinPart(Sample.Id(202), part.Id), state));
        Assert.Equal(Context.Now, binned.BinnedAt);
        Assert.Null(
            Row<Part>(
                Made(new PutPartBack(Sample.Id(203), part.Id), new ShopState { Part = binned })
            ).BinnedAt
        );
        Assert.Equal(
            RefusalKind.Gone,
            Refused(new BinPart(Sample.Id(202), part.Id), new ShopState()).Kind
        );
    }

    [Fact]
    public void A_file_puts_new_parts_on_the_shelf_changes_known_ones_and_leaves_the_rest()
    {
        var there = Plate.Read();
        var other = there with { Id = Sample.Id(210), Number = "T-2" };
        var shelf = new ShopState
        {
            Shelf = new Dictionary<(string, string), Part>
            {
                [(there.Number, there.Name)] = there,
                [(other.Number, other.Name)] = other,
            },
        };
        var read = new ReadInShelf(
            Sample.Id(211),
            [
                there with
                {
                    Id = Sample.Id(299),
                    Count = 9,
                },
                other with
                {
                    Id = Sample.Id(298),
                },
                there with
                {
                    Id = there.Id,
                    Number = "T-3",
                    BinnedAt = Context.Now,
                },
            ],
            true
        );
        var changes = Made(read, shelf);
        Assert.Equal(2, changes.Count);
        var replaced = Assert.IsType<RowChange.Replaced>(changes[0]);
        Assert.Equal((there.Id, 9), (((Part)replaced.Row).Id, ((Part)replaced.Row).Count));
        // A key of another shelf may be anybody's here.
        var added = (Part)Assert.IsType<RowChange.Added>(changes[1]).Row;
        Assert.Equal("T-3", added.Number);
        Assert.NotEqual(there.Id, added.Id);
        Assert.Null(added.BinnedAt);
        // The same command gives the same key.
        Assert.Equal(added.Id, ((RowChange.Added)Made(read, shelf)[1]).Row.Id);
    }

    [Fact]
    public void A_table_leaves_alone_how_a_thickness_is_known_and_the_leaves()
    {
        var there = Plate.Read() with
        {
            Kind = PartKind.LeafPack,
            Thickness = null,
            Claim = Quantity.Mm(50.8, Known.Told),
            Leaves =
            [
                new Leaf
                {
                    FrontMm = 600,
                    RearMm = 700,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 100,
                },
            ],
        };
        var shelf = new ShopState
        {
            Shelf = new Dictionary<(string, string), Part> { [(there.Number, there.Name)] = there },
        };
        var row = there with { Claim = Quantity.Mm(50.8, Known.Box), Leaves = [] };
        Assert.Empty(Made(new ReadInShelf(Sample.Id(211), [row], false), shelf));
        var whole = (Part)
            Assert
                .IsType<RowChange.Replaced>(
                    Assert.Single(Made(new ReadInShelf(Sample.Id(211), [row], true), shelf))
                )
                .Row;
        Assert.Empty(whole.Leaves);
        Assert.Equal(Known.Box, whole.Claim!.Known);
    }

    [Fact]
    public void A_file_with_a_part_that_cannot_be_or_is_there_twice_changes_nothing()
    {
        var part = Plate.Read();
        Assert.Contains(
            "twice",
            Refused(new ReadInShelf(Sample.Id(211), [part, part], true), new ShopState()).Message,
            StringComparison.Ordinal
        );
        Assert.Equal(
            "thickness",
            Refused(
                new ReadInShelf(
                    Sample.Id(211),
                    [part with { Thickness = Quantity.Mm(-4, Known.Told) }],
                    true
                ),
                new ShopState()
            ).Field
        );
        Assert.Equal(
            "parts",
            Refused(
                new ReadInShelf(
                    Sample.Id(211),
                    [
                        .. Enumerable
                            .Range(0, ReadInShelf.Most + 1)
                            .Select(i => part with { Number = $"{i}" }),
                    ],
                    true
                ),
                new ShopState()
            ).Field
        );
    }

    [Fact]
    public void What_a_part_cannot_have_is_refused_at_its_field()
    {
        Assert.Equal("count", Refused(Plate with { Count = -1 }, new ShopState()).Field);
        Assert.Equal("price", Refused(Plate with { Price = -1 }, new ShopState()).Field);
        Assert.Equal("currency", Refused(Plate with { Currency = "euros" }, new ShopState()).Field);
        Assert.Equal(
            "thickness",
            Refused(Plate with { Part = PartKind.Coil }, new ShopState()).Field
        );
        Assert.Equal("name", Refused(Plate with { Name = "" }, new ShopState()).Field);
    }

    [Fact]
    public void A_platform_of_the_same_name_is_that_platform()
    {
        Assert.Equal(
            "Fell",
            Row<Platform>(
                Made(new SavePlatform(Sample.Id(1), Sample.Id(2), " Fell "), new ShopState())
            ).Name
        );
        Assert.Empty(Made(new SavePlatform(Sample.Id(1), Sample.Id(2), "Drover"), Shop));
        Assert.Equal(
            "name",
            Refused(new SavePlatform(Sample.Id(1), Sample.Id(2), " "), Shop).Field
        );
    }

    [Fact]
    public void A_platforms_lists_take_a_value_once_however_it_is_written()
    {
        Platform With(params string[] engines) => Drover.With(VariantAspect.Engine, engines);
        AddVariant Add(string value) => new(Sample.Id(400), Drover.Id, VariantAspect.Engine, value);
        Assert.Equal(["V6"], Row<Platform>(Made(Add(" V6 "), Shop)).ValuesOf(VariantAspect.Engine));
        Assert.Empty(Made(Add("v 6"), new ShopState { Platforms = [With("V6")] }));
        Assert.Equal(
            ["V6", "V8"],
            Row<Platform>(Made(Add("V8"), new ShopState { Platforms = [With("V6")] }))
                .ValuesOf(VariantAspect.Engine)
        );
        var full = With([.. Enumerable.Range(1, 60).Select(n => $"engine {n}")]);
        Assert.Equal("value", Refused(Add("V8"), new ShopState { Platforms = [full] }).Field);
        Assert.Empty(Made(Add("engine 60"), new ShopState { Platforms = [full] }));
        Assert.Equal("value", Refused(Add(" "), Shop).Field);
        Assert.Equal(RefusalKind.Gone, Refused(Add("V6"), new ShopState()).Kind);
        DropVariant Drop(string value) =>
            new(Sample.Id(401), Drover.Id, VariantAspect.Engine, value);
        var two = new ShopState
        {
            Platforms = [With("V6", "V8").With(VariantAspect.Bed, ["long"])],
        };
        var left = Row<Platform>(Made(Drop("v6"), two));
        Assert.Equal(["V8"], left.ValuesOf(VariantAspect.Engine));
        // In one order, whichever was noted first.
        Assert.Equal(
            [VariantAspect.Engine, VariantAspect.Bed],
            left.Variants!.Select(v => v.Aspect)
        );
        Assert.Equal(["long"], left.ValuesOf(VariantAspect.Bed));
        Assert.Empty(Made(Drop("I4"), two));
        Assert.Empty(
            Row<Platform>(Made(Drop("V6"), new ShopState { Platforms = [With("V6")] })).Variants!
        );
    }

    [Fact]
    public void A_part_says_for_which_vehicles_it_is_and_needs_no_number()
    {
        SavePart With(PartFit? fit) => Workshop.SavePlate() with { Number = " ", Fit = fit };
        var read = With(
                new PartFit
                {
                    Platforms = [new(" Drover ", 2010)],
                    NotPlatforms = [" Marsh"],
                    Rules =
                    [
                        new FitRule.OnlyWith(VariantAspect.Engine, [" V6 "]),
                        new FitRule.NotWith(VariantAspect.Trim, [" Ridge "]),
                        new FitRule.MustMeet(new(MateKind.CoilEnds, Written: " flat ")),
                        new FitRule.MustMeet(
                            new(
                                MateKind.BarDiameter,
                                new Quantity
                                {
                                    Value = 0,
                                    Unit = Unit.Inch,
                                    Known = Known.Box,
                                    Typed = "7/8",
                                }
                            )
                        ),
                    ],
                }
            )
            .Read();
        Assert.Equal("", read.Number);
        var fit = read.Fit!;
        Assert.Equal(("Drover", "Marsh"), (fit.Platforms[0].Name, fit.NotPlatforms[0]));
        Assert.Equal(["V6"], Assert.IsType<FitRule.OnlyWith>(fit.Rules[0]).Values);
        Assert.Equal(["Ridge"], Assert.IsType<FitRule.NotWith>(fit.Rules[1]).Values);
        Assert.Equal("flat", Assert.IsType<FitRule.MustMeet>(fit.Rules[2]).Mate.Written);
        Assert.Equal(
            22.225,
            Assert.IsType<FitRule.MustMeet>(fit.Rules[3]).Mate.Size!.In(Unit.Mm),
            1e-9
        );
        // Nothing said is nothing noted.
        Assert.Null(With(new PartFit()).Read().Fit);
        Assert.NotNull(With(new PartFit { AnyPlatform = true }).Read().Fit);

        void Not(PartFit wrong, string says)
        {
            var why = Refused(With(wrong), Shop);
            Assert.Equal("fit", why.Field);
            Assert.Contains(says, why.Message, StringComparison.Ordinal);
        }
        Not(
            new PartFit { Rules = [new FitRule.OnlyAt(Axle.Front), new FitRule.OnlyAt(Axle.Rear)] },
            "never hold together"
        );
        Not(new PartFit { Platforms = [null!] }, "nothing in it");
        Not(new PartFit { Rules = [null!] }, "nothing in it");
        Not(
            new PartFit { NotPlatforms = [.. Enumerable.Range(0, 61).Select(n => $"{n}")] },
            "At most 60"
        );
        Not(
            new PartFit { Rules = [.. Enumerable.Repeat(new FitRule.AtMost(2), 61)] },
            "At most 60"
        );
    }

    [Fact]
    public void A_vehicle_comes_with_its_variant_as_the_list_writes_it()
    {
        var shop = new ShopState { Platforms = [Drover.With(VariantAspect.Trim, ["Ridge line"])] };
        var vehicle = Row<Vehicle>(
            Made(
                Come with
                {
                    Engine = " 2.0 petrol ",
                    Variant = new(2011, "double cab", "short", "ridgeline", "standard"),
                },
                shop
            )
        );
        Assert.Equal(
            ("2.0 petrol", 2011, "double cab", "short", "Ridge line", "standard"),
            (
                vehicle.Engine,
                vehicle.Built,
                vehicle.Body,
                vehicle.Bed,
                vehicle.Trim,
                vehicle.SuspensionOption
            )
        );
        Refusal Of(VariantInput variant) => Refused(Come with { Variant = variant }, shop);
        Assert.Equal("variant.built", Of(new(1919)).Field);
        Assert.Equal("variant.built", Of(new(2101)).Field);
        Assert.Equal("variant.bed", Of(new(Bed: new string('x', 201))).Field);
        Assert.Equal(1920, Row<Vehicle>(Made(Come with { Variant = new(1920) }, shop)).Built);
    }

    [Fact]
    public void A_table_leaves_a_size_as_it_was_typed_where_it_is_the_same()
    {
        var typed = Sample.Mm(25.4) with { Typed = "1 in", Known = Known.Measured };
        Part With(Quantity? thickness) =>
            new()
            {
                Id = Sample.Id(1),
                Number = "T-1",
                Name = "plate",
                Kind = PartKind.StrutTopSpacer,
                Thickness = thickness,
                Count = 1,
            };
        Quantity? Kept(Quantity? now, Quantity? next) =>
            ReadInShelf
                .Against(
                    new Dictionary<(string, string), Part> { [("T-1", "plate")] = With(now) },
                    With(next),
                    whole: false
                )
                .Next.Thickness;
        // The last bits of a number are no change; what can be seen is one.
        Assert.Same(typed, Kept(typed, Sample.Mm(25.4 * (1 + 5e-10))));
        Assert.NotSame(typed, Kept(typed, Sample.Mm(25.4 * (1 + 5e-9))));
        var inch = new Quantity
        {
            Value = 25.4,
            Unit = Unit.Inch,
            Known = Known.Box,
        };
        Assert.Same(inch, Kept(typed, inch));
        Assert.Null(Kept(typed, null));
        Assert.Same(typed, Kept(null, typed));
        Assert.Null(Kept(null, null));
    }
}
