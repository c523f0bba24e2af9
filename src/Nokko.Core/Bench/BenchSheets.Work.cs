using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Bench;

/// <content>Works each sheet out.</content>
public static partial class BenchSheets
{
    /// <summary>Standard uncertainty of one height read with a tape to 1/16 in, hook and eye, mm: a rule of thumb.</summary>
    private const double TapeUMm = 1;

    private const double Degrees = 180 / Math.PI;

    private static BenchAnswer Rake(Func<string, double?> number)
    {
        var (lf, rf, lr, rr) = (number("lf")!, number("rf")!, number("lr")!, number("rr")!);
        var rake = ((lr + rr) / 2 - ((lf + rf) / 2))!.Value;
        var (front, rear) = ((lf - rf)!.Value, (lr - rr)!.Value);
        var two = TapeUMm * Math.Sqrt(2);
        return new BenchAnswer(
            [
                Length("Rake; above zero the nose is down", rake, TapeUMm),
                Length("Lean in front; above zero left is high", front, two),
                Length("Lean behind", rear, two),
                Length("Warp: front lean less rear lean", front - rear, 2 * TapeUMm),
                number("wheelbase") is { } wheelbase
                    ? new LabelledResult(
                        "Body angle, nose down",
                        Result.Of(
                            Math.Atan2(rake, wheelbase) * Degrees,
                            Unit.Degree,
                            TapeUMm / wheelbase * Degrees,
                            []
                        )
                    )
                    : new LabelledResult(
                        "Body angle",
                        Result.No(Unit.Degree, "Enter the wheelbase.")
                    ),
            ],
            [
                "Each height read once with a tape to a sixteenth.",
                .. Math.Abs(front - rear) > 4 * TapeUMm
                    ? (string[])
                        [
                            "A stiff body has no warp: read the corners again, or look for a body that is twisted or built so.",
                        ]
                    : [],
            ]
        );
    }

    private static BenchAnswer Spacer(Func<string, double?> number, Func<string, string?> text)
    {
        if (!Enum.TryParse<SuspensionKind>(text("suspension"), true, out var kind))
        {
            throw new BenchException("suspension", "Choose what it stands on.");
        }
        if (kind == SuspensionKind.TorsionBarArm)
        {
            throw new BenchException(
                "suspension",
                "A torsion bar takes no spacer: its adjuster is turned, that has a sheet of its own."
            );
        }
        if (kind.IsLeaf())
        {
            throw new BenchException(
                "suspension",
                "A leaf has blocks and shackles: they have sheets of their own."
            );
        }
        var suspension = new Vehicles.Suspension
        {
            Kind = kind,
            Dimensions = new[]
            {
                SuspensionSizes.ArmLength,
                SuspensionSizes.FootDistance,
                SuspensionSizes.SpringLean,
            }
                .Where(n => number(n) is not null)
                .ToDictionary(
                    n => n,
                    n => new Quantity
                    {
                        Value = number(n)!.Value,
                        Unit = n == SuspensionSizes.SpringLean ? Unit.Degree : Unit.Mm,
                        Known = Known.Measured,
                    }
                ),
        };
        var axle = new AxleState(
            Axle.Front,
            suspension,
            CornerLinkage.Of(suspension),
            null,
            null,
            null
        );
        var thickness = number("thickness")!.Value;
        var belief = LiftLaw.Belief(LiftFamily.Spring, axle);
        if (axle.Corner.Linkage.LiftMm(thickness) is not { } bare)
        {
            throw new BenchException("thickness", "The arms cannot reach that far.");
        }
        var u = Math.Sqrt(
            Math.Pow(belief.OffsetMm.Sd, 2)
                + Math.Pow(belief.Ratio.Sd * bare / belief.Ratio.Mean, 2)
        );
        return new BenchAnswer(
            [
                Length("The lip rises by", belief.OffsetMm.Mean + bare, u),
                new LabelledResult(
                    "Lift ratio at ride height",
                    Result.Of(belief.Ratio.Mean, Unit.One, belief.Ratio.Sd, [])
                ),
            ],
            [
                axle.Corner.Grade switch
                {
                    RatioGrade.Archetype =>
                        $"From a usual {kind.Said()} fitted to what was taped. Both sides get the same.",
                    _ =>
                        $"A rule of thumb for a {kind.Said()}: tape arm and foot for a better one.",
                },
                .. belief.OffsetMm.Mean > 0
                    ? (string[])["Some of it is bushings that let go and settle at the new height."]
                    : [],
            ]
        );
    }

    private static BenchAnswer Spring(Func<string, double?> number)
    {
        var crossover = number("crossover") * Gravity.NPerKg;
        if (number("second") is null != crossover is null)
        {
            throw new BenchException(
                crossover is null ? "crossover" : "second",
                "A coil of two rates needs both: the second rate, and the load at which it begins."
            );
        }
        var coil = new CoilSpring(
            number("rate")!.Value,
            number("free")!.Value,
            crossover is { } from ? (from, number("second")!.Value) : null
        );
        var load = number("load")!.Value * Gravity.NPerKg;
        var length = coil.LengthMm(load);
        if (length <= 0)
        {
            throw new BenchException("load", "This load pushes it shut, whatever is left of it.");
        }
        var u = 0.03 * (coil.FreeLengthMm - length);
        var longer =
            number("oldRate") is { } rate && number("oldFree") is { } free
                ? Length(
                    "Longer than the old one under this load",
                    SpringChange.LongerMm(new CoilSpring(rate, free), coil, load),
                    Math.Sqrt((u * u) + Math.Pow(0.03 * load / rate, 2))
                )
                : new LabelledResult(
                    "Longer than the old one",
                    Result.No(Unit.Mm, "Enter the old one's rate and free length.")
                );
        return new BenchAnswer(
            [
                Length("Length under the load", length, u),
                longer,
                Length("Squeezed by", coil.FreeLengthMm - length, u),
            ],
            [
                "Rates are good to about 3 %.",
                "The wheel moves by it over the motion ratio.",
                .. crossover is { } x
                    ? (string[])
                        [
                            load > x
                                ? "It rides beyond its crossover, on the second rate."
                                : "It rides below its crossover, on the first rate.",
                        ]
                    : [],
            ]
        );
    }

    private static BenchAnswer Leaves(Func<string, double?> number)
    {
        var count = number("leaves")!.Value;
        if (count is < 1 or > 20 || count != Math.Floor(count))
        {
            throw new BenchException("leaves", "Count them: 1 to 20.");
        }
        var (length, shorter) = (number("length")!.Value, number("shorter")!.Value);
        if (length - ((count - 1) * shorter) <= 0)
        {
            throw new BenchException("shorter", "The shortest leaf would have no length left.");
        }
        Leaf[] leaves =
        [
            .. Enumerable
                .Range(0, (int)count)
                .Select(i => (length - (i * shorter)) / 2)
                .Select(half => new Leaf
                {
                    FrontMm = half,
                    RearMm = half,
                    WidthMm = number("width")!.Value,
                    ThicknessMm = number("thick")!.Value,
                    // One curve through all of them: the arch goes with the square of the length.
                    ArchMm = number("arch")!.Value * Math.Pow(2 * half / length, 2),
                }),
        ];
        var clamp = number("clamp") ?? LeafPackBuild.UsualClampMm(leaves[0]);
        if (LeafPackBuild.WhyNot(leaves, clamp) is { } why)
        {
            throw new BenchException(number("clamp") is null ? "leaves" : "clamp", why);
        }
        var pack = LeafPackBuild.Of(leaves, clamp);
        var load = number("load")!.Value * Gravity.NPerKg;
        var settled = pack.FreeArchMm - (load / pack.RateNPerMm);
        return new BenchAnswer(
            [
                new LabelledResult(
                    "Rate",
                    Result.Of(
                        pack.RateNPerMm,
                        Unit.NewtonPerMm,
                        LeafPackBuild.RateShare * pack.RateNPerMm,
                        []
                    )
                ),
                Length(
                    "Arch under the load",
                    settled,
                    LeafPackBuild.RateShare * load / pack.RateNPerMm
                ),
                Length("Free arch of the pack", pack.FreeArchMm, 3),
                Length("Thickness of the pack", pack.ThicknessMm, 0.5),
            ],
            ["Worked out from its leaves, to about 20 %: a ballast test tells it better."]
        );
    }

    private static BenchAnswer Shackle(Func<string, double?> number, Func<string, string?> text)
    {
        if (
            !Enum.TryParse<ShacklePivot>(text("pivot"), ignoreCase: true, out var pivot)
            || !Enum.IsDefined(pivot)
        )
        {
            throw new BenchException("pivot", "Above or below the spring's eye?");
        }
        var (chord, arch, shackle) = (
            number("chord")!.Value,
            number("arch")!.Value,
            number("shackle")!.Value
        );
        var leaf = new LeafGeometry(
            chord,
            arch,
            shackle,
            number("angle")!.Value / Degrees,
            0.5,
            pivot == ShacklePivot.BelowEye
        );
        if (LeafShackle.Move(leaf, shackle + number("longer")!.Value, arch) is not { } move)
        {
            throw new BenchException("longer", "The shackle cannot reach that far.");
        }
        return new BenchAnswer(
            [
                Length(
                    "The frame rises over the axle by",
                    move.LiftMm,
                    0.05 * Math.Abs(move.LiftMm)
                ),
                new LabelledResult(
                    "The axle turns with the leaf by",
                    Result.Of(move.ChordTurnRad * Degrees, Unit.Degree, null, [])
                ),
                new LabelledResult(
                    "The shackle's lean then",
                    Result.Of(move.ShackleAngleRad * Degrees, Unit.Degree, null, [])
                ),
            ],
            [
                pivot == ShacklePivot.BelowEye
                    ? "The axle in the middle of the leaf. The shackle is pulled: a longer one lowers, by about half of what it is longer."
                    : "The axle in the middle of the leaf; about half of what the shackle is longer.",
                "It must not turn over at full droop, and its crossbar must clear the frame.",
            ]
        );
    }

    private static BenchAnswer Block(Func<string, double?> number)
    {
        var thickness = number("thickness")!.Value;
        return new BenchAnswer(
            [
                Length(
                    "The frame rises by",
                    thickness,
                    Math.Sqrt(4 + Math.Pow(0.02 * thickness, 2))
                ),
                Length(
                    "U-bolts inside, from the axle's crown, at least",
                    LeafPackBuild.UBoltMm(number("pack")!.Value, thickness),
                    null
                ),
                new LabelledResult(
                    "The pinion turns up by",
                    number("taper") is { } taper
                        ? Result.Of(taper, Unit.Degree, null, [])
                        : Result.No(Unit.Degree, "Not with faces that are square.")
                ),
            ],
            [
                "Under a spring that lies below its axle a block lowers.",
                "No block on a steered axle, and never two on each other. U-bolts are used once.",
            ]
        );
    }

    private static BenchAnswer Tyre(Func<string, double?> number, Func<string, string?> text)
    {
        TyreSize Size(string field) =>
            TyreSize.Parse(text(field))
            ?? throw new BenchException(
                field,
                "That is no tyre size. Write it as on the tyre, for example 265/70R17 or 33x12.50R15."
            );
        var (now, next) = (Size("now"), Size("next"));
        var share = next.DiameterMm / now.DiameterMm;
        var shown = number("shown")!.Value;
        return new BenchAnswer(
            [
                Length(
                    "Everything above the hubs rises by",
                    (next.DiameterMm - now.DiameterMm) / 2,
                    0.005 * next.DiameterMm
                ),
                new LabelledResult(
                    string.Create(CultureInfo.InvariantCulture, $"Shown {shown:0.#}, driven"),
                    Result.Of(shown * share, Unit.One, 0.01 * shown * share, [])
                ),
                Length("Diameter now", now.DiameterMm, null),
                Length("Diameter then", next.DiameterMm, null),
                Length("Wider by", next.WidthMm - now.WidthMm, null),
                new LabelledResult(
                    "Axle ratio that would pull as before",
                    number("ratio") is { } ratio
                        ? Result.Of(ratio * share, Unit.One, null, [])
                        : Result.No(Unit.One, "Enter the axle ratio.")
                ),
            ],
            ["Makers' sizes are good to about one in a hundred; a loaded tyre stands lower."]
        );
    }

    private static LabelledResult Length(string label, double mm, double? u) =>
        new(label, Result.Of(mm, Unit.Mm, u, []));
}
