using System.Text.Json;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Shelf;

public class PartFitTests
{
    private static readonly Vehicle Pickup = Sample.Pickup with
    {
        Engine = "V6",
        Built = 2014,
        Mates =
        [
            new(Axle.Front, new(MateKind.StrutStuds, null, "3 x M10 on 120")),
            new(Axle.Rear, new(MateKind.BarDiameter, Sample.Mm(22), null)),
        ],
    };

    private static PlacedPart Plate(PartFit? fit, int n = 1) =>
        new()
        {
            Id = Sample.Id(700 + n),
            PartId = Sample.Id(70),
            Name = "plate",
            Kind = PartKind.StrutTopSpacer,
            Fit = fit,
        };

    private static FitVerdict On(
        PartFit? fit,
        Axle axle = Axle.Front,
        string? platform = "Drover",
        Vehicle? vehicle = null
    ) => PartFit.Of(Plate(fit), platform, new FitPlace(vehicle ?? Pickup, axle));

    private static FitVerdict On(FitRule rule, Axle axle = Axle.Front, Vehicle? vehicle = null) =>
        On(new PartFit { AnyPlatform = true, Rules = [rule] }, axle, vehicle: vehicle);

    [Fact]
    public void Of_what_nobody_noted_it_is_not_said_that_it_fits()
    {
        Assert.Equal(FitState.Unknown, On((PartFit?)null).State);
        Assert.Equal(FitState.Unknown, On(new PartFit()).State);
        Assert.Equal("nobody noted which platforms it fits", On(new PartFit()).Why);
        // A rule that holds tells nothing of the platform.
        var rule = new FitRule.OnlyAt(Axle.Front);
        Assert.Equal(FitState.Unknown, On(new PartFit { Rules = [rule] }).State);
        Assert.Equal(FitVerdict.Fits, On(new PartFit { AnyPlatform = true, Rules = [rule] }));
    }

    [Fact]
    public void The_platforms_that_are_named_are_all_that_it_is_made_for()
    {
        var fit = new PartFit { Platforms = [new("Marsh"), new(" drover ")] };
        Assert.Equal(FitVerdict.Fits, On(fit));
        var other = On(fit, platform: "Heron");
        Assert.Equal(FitState.DoesNot, other.State);
        Assert.Equal("made for Marsh,  drover , not for Heron", other.Why);
        Assert.Equal(FitState.Unknown, On(fit, platform: null).State);
        var not = On(new PartFit { NotPlatforms = ["DROVER"] });
        Assert.Equal((FitState.DoesNot, "does not fit Drover"), (not.State, not.Why));
        // That one platform is out says nothing of the others.
        Assert.Equal(FitState.Unknown, On(new PartFit { NotPlatforms = ["Marsh"] }).State);
    }

    [Theory]
    [InlineData(2010, 2020, 2014, FitState.Fits)]
    [InlineData(2014, 2014, 2014, FitState.Fits)]
    [InlineData(2015, null, 2014, FitState.DoesNot)]
    [InlineData(null, 2013, 2014, FitState.DoesNot)]
    [InlineData(null, 2014, 2014, FitState.Fits)]
    [InlineData(2014, null, null, FitState.Unknown)]
    [InlineData(null, null, null, FitState.Fits)]
    public void Years_of_build_count_where_they_are_named(
        int? from,
        int? to,
        int? built,
        FitState state
    )
    {
        var fit = new PartFit { Platforms = [new("Drover", from, to)] };
        Assert.Equal(state, On(fit, vehicle: Pickup with { Built = built }).State);
    }

    [Fact]
    public void A_platform_may_be_named_for_two_runs_of_years()
    {
        var fit = new PartFit { Platforms = [new("Drover", null, 2010), new("Drover", 2016)] };
        Assert.Equal(
            "made for Drover to 2010, Drover from 2016, this one was built in 2014",
            On(fit).Why
        );
        Assert.Equal(FitVerdict.Fits, On(fit, vehicle: Pickup with { Built = 2016 }));
        Assert.Equal(FitVerdict.Fits, On(fit, vehicle: Pickup with { Built = 2010 }));
        Assert.Equal("Heron 2012 to 2018", new FitPlatform("Heron", 2012, 2018).Said());
    }

    [Fact]
    public void What_tells_vehicles_of_a_platform_apart_counts()
    {
        var only = new FitRule.OnlyWith(VariantAspect.Engine, ["v 6", "V8"]);
        Assert.Equal(FitVerdict.Fits, On(only));
        Assert.Equal(
            "only with engine v 6 or V8; this one has engine I4",
            On(only, vehicle: Pickup with { Engine = "I4" }).Why
        );
        Assert.Equal(FitState.Unknown, On(only, vehicle: Pickup with { Engine = null }).State);
        var not = new FitRule.NotWith(VariantAspect.Engine, ["V8", "V6"]);
        Assert.Equal(FitState.DoesNot, On(not).State);
        Assert.Equal(FitVerdict.Fits, On(not, vehicle: Pickup with { Engine = "I4" }));
        Assert.Equal(FitState.Unknown, On(not, vehicle: Pickup with { Engine = null }).State);
    }

    [Fact]
    public void Every_aspect_of_a_vehicle_is_asked_by_its_own_name()
    {
        var vehicle = Pickup with
        {
            Engine = "a",
            Drive = "b",
            Body = "c",
            Bed = "d",
            Trim = "e",
            SuspensionOption = "f",
        };
        Assert.Equal(
            ["a", "b", "c", "d", "e", "f"],
            Enum.GetValues<VariantAspect>().Select(vehicle.Of)
        );
        Assert.Equal(6, Enum.GetValues<VariantAspect>().Select(a => a.Said()).Distinct().Count());
    }

    [Fact]
    public void A_bore_a_pattern_and_an_end_must_meet_the_vehicles()
    {
        FitRule Studs(string as_) => new FitRule.MustMeet(new(MateKind.StrutStuds, null, as_));
        Assert.Equal(FitVerdict.Fits, On(Studs("3×M10 on 120")));
        Assert.Equal(
            "made for strut studs 4 × M10 on 120, this one has 3 x M10 on 120",
            On(Studs("4 × M10 on 120")).Why
        );
        // Nobody looked at this one's; a leaf axle has none to look at.
        var unseen = Pickup with
        {
            Mates = [],
        };
        Assert.Equal(FitState.Unknown, On(Studs("3×M10 on 120"), vehicle: unseen).State);
        Assert.Equal(
            "made for strut studs 3×M10 on 120, this rear has none",
            On(Studs("3×M10 on 120"), Axle.Rear).Why
        );
        FitRule Bar(double mm) =>
            new FitRule.MustMeet(new(MateKind.BarDiameter, Sample.Mm(mm), null));
        Assert.Equal(FitVerdict.Fits, On(Bar(22.5), Axle.Rear));
        Assert.Equal(FitVerdict.Fits, On(Bar(21.5), Axle.Rear));
        Assert.Equal(FitState.DoesNot, On(Bar(22.6), Axle.Rear).State);
        Assert.Equal(FitState.DoesNot, On(Bar(21.4), Axle.Rear).State);
    }

    [Theory]
    [InlineData(SuspensionKind.Strut, "strut studs, strut clamp, coil ends, coil bore")]
    [InlineData(SuspensionKind.CoilOverArm, "strut studs, coil ends, coil bore")]
    [InlineData(SuspensionKind.CoilFourLink, "coil ends, coil bore")]
    [InlineData(SuspensionKind.LeafOverslung, "leaf width")]
    [InlineData(SuspensionKind.TransverseLeaf, "leaf width")]
    [InlineData(SuspensionKind.TorsionBarArm, "")]
    public void An_axle_is_asked_for_what_its_suspension_has(SuspensionKind kind, string mates)
    {
        MateKind[] onAny = [MateKind.WheelStuds, MateKind.HubBore, MateKind.BarDiameter];
        var asked = Enum.GetValues<MateKind>().Where(m => m.IsOn(kind)).ToList();
        Assert.Equal(onAny, asked.Intersect(onAny));
        Assert.Equal(mates, string.Join(", ", asked.Except(onAny).Select(m => m.Said())));
    }

    [Fact]
    public void A_levelled_axle_rules_out_what_is_not_for_it_at_either_axle()
    {
        var rule = new FitRule.NotLevelled(Axle.Rear);
        Assert.Equal(FitVerdict.Fits, On(rule));
        var levelled = Pickup with
        {
            Rear = Pickup.Rear with { HeightControl = HeightControl.OneSensor },
        };
        Assert.Equal(
            "not with a load-levelling rear: this one has it",
            On(rule, Axle.Front, levelled).Why
        );
    }

    [Fact]
    public void What_stands_beside_it_counts_only_where_it_is_known()
    {
        PlacedPart collar = new()
        {
            Id = Sample.Id(90),
            Name = "collar",
            Kind = PartKind.RaisedCollar,
        };
        PartFit Rule(FitRule rule) => new() { AnyPlatform = true, Rules = [rule] };
        FitVerdict At(FitRule rule, PlacedPart[]? corner, PlacedPart[]? axle, int count = 1) =>
            PartFit.Of(
                Plate(Rule(rule)),
                "Drover",
                new FitPlace(
                    Pickup,
                    Axle.Front,
                    corner is null
                        ? null
                        : [.. corner, .. Enumerable.Range(1, count).Select(n => Plate(null, n))],
                    axle
                )
            );

        var beside = new FitRule.NotBeside(PartKind.RaisedCollar);
        Assert.Equal(FitVerdict.Fits, At(beside, null, null));
        Assert.Equal(FitVerdict.Fits, At(beside, [], [collar]));
        Assert.Equal("not together with a raised collar", At(beside, [collar], null).Why);
        // Of a kind that an axle has once, the other side counts too.
        PlacedPart drop = collar with
        {
            Kind = PartKind.DiffDrop,
        };
        var once = new FitRule.NotBeside(PartKind.DiffDrop);
        Assert.Equal(FitState.DoesNot, At(once, [], [drop]).State);
        Assert.Equal(FitVerdict.Fits, At(once, [drop], null));

        var needs = new FitRule.NeedsPart(PartKind.DiffDrop);
        Assert.Equal(FitVerdict.Fits, At(needs, [], null));
        Assert.Equal(FitState.DoesNot, At(needs, [], [collar]).State);
        Assert.Equal(FitVerdict.Fits, At(needs, [], [collar, drop]));

        var two = new FitRule.AtMost(2);
        Assert.Equal(FitVerdict.Fits, At(two, null, null));
        Assert.Equal(FitVerdict.Fits, At(two, [], null, 2));
        Assert.Equal("never more than 2 at one corner", At(two, [], null, 3).Why);
        // Itself is not beside itself.
        Assert.Equal(FitVerdict.Fits, At(new FitRule.NotBeside(PartKind.StrutTopSpacer), [], null));
        Assert.Equal(
            FitState.DoesNot,
            At(new FitRule.NotBeside(PartKind.StrutTopSpacer), [], null, 2).State
        );
    }

    [Fact]
    public void What_does_not_fit_is_said_before_what_is_not_known() =>
        Assert.Equal(
            "only at the rear",
            On(
                new PartFit
                {
                    Rules =
                    [
                        new FitRule.OnlyWith(VariantAspect.Trim, ["Ridge"]),
                        new FitRule.OnlyAt(Axle.Rear),
                    ],
                }
            ).Why
        );

    [Fact]
    public void A_setting_of_what_is_in_fits_what_it_is_in() =>
        Assert.Equal(
            FitVerdict.Fits,
            PartFit.Of(
                PlacedPart.TurnedAdjuster(
                    Sample.Id(1),
                    new Quantity
                    {
                        Value = 2,
                        Unit = Unit.One,
                        Known = Known.Told,
                    }
                ),
                null,
                new FitPlace(Pickup, Axle.Front)
            )
        );

    public static TheoryData<string, PartFit> Never =>
        new()
        {
            {
                "For every platform, or for those that are named: one of both.",
                new PartFit { AnyPlatform = true, Platforms = [new("Drover")] }
            },
            {
                "Choose the platform from the list.",
                new PartFit { Platforms = [new(" ")] }
            },
            {
                "Drover: it ends in 2010, before it begins in 2012.",
                new PartFit { Platforms = [new("Drover", 2012, 2010)] }
            },
            {
                "Drover: write the years with four digits.",
                new PartFit { Platforms = [new("Drover", 12)] }
            },
            {
                "Drover: write the years with four digits.",
                new PartFit { Platforms = [new("Drover", null, 20_300)] }
            },
            {
                "Drover stands among those that it fits and among those that it does not.",
                new PartFit { Platforms = [new("Drover")], NotPlatforms = ["drover"] }
            },
            {
                "“only with engine V6” and “not with engine V6 or V8” can never hold together.",
                Rules(
                    new FitRule.OnlyWith(VariantAspect.Engine, ["V6"]),
                    new FitRule.NotWith(VariantAspect.Engine, ["V6", "V8"])
                )
            },
            {
                "“only with engine V6” and “only with engine V8” can never hold together.",
                Rules(
                    new FitRule.OnlyWith(VariantAspect.Engine, ["V6"]),
                    new FitRule.OnlyWith(VariantAspect.Engine, ["V8"])
                )
            },
            {
                "“only at the front” and “only at the rear” can never hold together.",
                Rules(new FitRule.OnlyAt(Axle.Front), new FitRule.OnlyAt(Axle.Rear))
            },
            {
                "“coil ends flat” and “coil ends pigtail” can never hold together.",
                Rules(
                    new FitRule.MustMeet(new(MateKind.CoilEnds, null, "flat")),
                    new FitRule.MustMeet(new(MateKind.CoilEnds, null, "pigtail"))
                )
            },
            {
                "“not together with a differential drop” and “only with a differential drop” can never hold together.",
                Rules(
                    new FitRule.NotBeside(PartKind.DiffDrop),
                    new FitRule.NeedsPart(PartKind.DiffDrop)
                )
            },
            { "How many at most? 1 to 20.", Rules(new FitRule.AtMost(0)) },
            { "It cannot ask for itself.", Rules(new FitRule.NeedsPart(PartKind.StrutTopSpacer)) },
            { "Which part does it need?", Rules(new FitRule.NeedsPart(PartKind.Unknown)) },
            { "Not together with which part?", Rules(new FitRule.NotBeside(PartKind.Unknown)) },
            {
                "Only with which trim? Name one at least.",
                Rules(new FitRule.OnlyWith(VariantAspect.Trim, []))
            },
            {
                "Not with which bed? Name one at least.",
                Rules(new FitRule.NotWith(VariantAspect.Bed, [" "]))
            },
            {
                "How wide? Write the length.",
                Rules(new FitRule.MustMeet(new(MateKind.HubBore, null, "78")))
            },
            { "Which coil ends?", Rules(new FitRule.MustMeet(new(MateKind.CoilEnds, null, " "))) },
        };

    private static PartFit Rules(params FitRule[] rules) => new() { Rules = rules };

    [Theory]
    [MemberData(nameof(Never))]
    public void What_no_vehicle_can_meet_is_named(string why, PartFit fit) =>
        Assert.Equal(why, fit.WhyNever(PartKind.StrutTopSpacer));

    [Fact]
    public void What_some_vehicle_can_meet_is_not()
    {
        var fit = Rules(
            new FitRule.OnlyWith(VariantAspect.Engine, ["V6", "V8"]),
            new FitRule.NotWith(VariantAspect.Engine, ["V8"]),
            new FitRule.OnlyWith(VariantAspect.Engine, ["V6"]),
            new FitRule.OnlyWith(VariantAspect.Drive, ["4x4"]),
            new FitRule.NotWith(VariantAspect.Drive, ["V6"]),
            new FitRule.OnlyAt(Axle.Rear),
            new FitRule.OnlyAt(Axle.Rear),
            new FitRule.AtMost(1),
            new FitRule.NeedsPart(PartKind.DiffDrop),
            new FitRule.NotBeside(PartKind.RaisedCollar),
            new FitRule.MustMeet(new(MateKind.HubBore, Sample.Mm(78), null)),
            new FitRule.MustMeet(new(MateKind.BarDiameter, Sample.Mm(22), null)),
            new FitRule.NotLevelled(Axle.Rear)
        ) with
        {
            Platforms = [new("Drover", 2010, 2010), new("Drover", 1950)],
            NotPlatforms = ["Heron"],
        };
        Assert.Null(fit.WhyNever(PartKind.StrutTopSpacer));
        Assert.Equal(
            "A drag link has its place at the front: it would fit nowhere.",
            fit.WhyNever(PartKind.DragLink)
        );
    }

    [Fact]
    public void For_which_vehicles_it_is_is_said_in_one_line()
    {
        Assert.Equal("", new PartFit().Said());
        Assert.Equal("any platform", new PartFit { AnyPlatform = true }.Said());
        Assert.Equal(
            "for Drover 2010 to 2014, Marsh, Heron from 2018, Vale to 1999 · not for Moor",
            new PartFit
            {
                Platforms =
                [
                    new("Drover", 2010, 2014),
                    new("Marsh"),
                    new("Heron", 2018),
                    new("Vale", null, 1999),
                ],
                NotPlatforms = ["Moor"],
            }.Said()
        );
        Assert.Equal(
            "only with engine V6 or V8 · not with a load-levelling rear · sway-bar diameter 7/8 in (22 mm) · only with a differential drop · never more than 2 at one corner",
            Rules(
                    new FitRule.OnlyWith(VariantAspect.Engine, ["V6", "V8"]),
                    new FitRule.NotLevelled(Axle.Rear),
                    new FitRule.MustMeet(new(MateKind.BarDiameter, Sample.Mm(22))),
                    new FitRule.NeedsPart(PartKind.DiffDrop),
                    new FitRule.AtMost(2)
                )
                .Said()
        );
    }

    [Fact]
    public void Empty_names_and_values_of_a_file_count_for_nothing()
    {
        var fit = new PartFit
        {
            NotPlatforms = [null!, " ", " Marsh "],
            Rules = [new FitRule.OnlyWith(VariantAspect.Engine, [null!, " V6 ", ""])],
        }.Trimmed();
        Assert.Equal(["Marsh"], fit.NotPlatforms);
        Assert.Equal(["V6"], Assert.IsType<FitRule.OnlyWith>(fit.Rules[0]).Values);
    }

    [Fact]
    public void Fits_go_through_a_file_and_come_back()
    {
        var fit = new PartFit
        {
            Platforms = [new("Drover", 2010)],
            Rules =
            [
                new FitRule.AtMost(2),
                new FitRule.MustMeet(new(MateKind.HubBore, Sample.Mm(78), null)),
                new FitRule.OnlyWith(VariantAspect.Engine, ["V6"]),
            ],
        };
        var text = JsonSerializer.Serialize(fit, JobJson.Options);
        Assert.Equal(
            text,
            JsonSerializer.Serialize(
                JsonSerializer.Deserialize<PartFit>(text, JobJson.Options),
                JobJson.Options
            )
        );
        Assert.Contains("\"kind\":\"atMost\"", text, StringComparison.Ordinal);
    }
}
