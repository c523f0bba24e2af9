using System.Text.Json;
using CsCheck;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Whatever may be entered (any kind of suspension, any sizes within their limits, any parts on it) is answered with numbers or reasons, and by the same laws.</summary>
public class AnyStackTests
{
    private static readonly Gen<SuspensionKind> Kinds = Gen.Int[
            0,
            Enum.GetValues<SuspensionKind>().Length - 1
        ]
        .Select(i => (SuspensionKind)i);

    private static Gen<Quantity> Within(Unit unit, double low, double high) =>
        Gen.Double[low, high]
            .Select(v => new Quantity
            {
                Value = v,
                Unit = unit,
                Known = Known.Measured,
            });

    /// <summary>Some of the sizes of a kind, each anywhere within its limits.</summary>
    private static Gen<Nokko.Core.Vehicles.Suspension> Suspensions { get; } =
        Kinds.SelectMany(kind =>
        {
            var sizes = SuspensionSizes.Of(kind);
            return Gen.Select(
                Gen.Double[0, 1].Array[sizes.Count],
                Gen.Bool.Array[sizes.Count],
                Gen.Int[0, 2].Select(i => i == 2 ? null : (ShacklePivot?)i),
                Gen.Int[0, 5].Select(i => i > 1 ? null : (HeightControl?)i),
                Gen.Bool,
                (at, known, pivot, held, air) =>
                    new Nokko.Core.Vehicles.Suspension
                    {
                        Kind = kind,
                        ShacklePivot = kind.IsLeaf() ? pivot : null,
                        HeightControl = held,
                        Medium = air && kind.HasCoil() ? SpringMedium.Air : null,
                        Dimensions = sizes
                            .Where((_, i) => known[i])
                            .ToDictionary(
                                s => s.Name,
                                s => new Quantity
                                {
                                    Value =
                                        s.Low + (at[sizes.ToList().IndexOf(s)] * (s.High - s.Low)),
                                    Unit = s.Unit,
                                    Known = Known.Measured,
                                }
                            ),
                    }
            );
        });

    private static readonly Gen<Leaf> Leaves = Gen.Select(
        Gen.Double[25, 1500],
        Gen.Double[25, 1500],
        Gen.Double[11, 200],
        Gen.Double[2, 40],
        Gen.Double[-500, 500],
        (front, rear, width, thickness, arch) =>
            new Leaf
            {
                FrontMm = front,
                RearMm = rear,
                WidthMm = width,
                ThicknessMm = thickness,
                ArchMm = arch,
            }
    );

    /// <summary>A part of any kind with some of its sizes, with or without a thickness.</summary>
    private static Gen<PlacedPart> Parts { get; } =
        Gen.Select(
                Gen.Int[0, Enum.GetValues<PartKind>().Length - 1].Select(i => (PartKind)i),
                Gen.Double[0.5, 120],
                Gen.Bool,
                Gen.Double[0, 1].Array[PartSizes.All.Count],
                Gen.Bool.Array[PartSizes.All.Count],
                Leaves.List[0, 3],
                (kind, thickness, thick, at, known, leaves) =>
                    new PlacedPart
                    {
                        Id = Guid.NewGuid(),
                        Name = kind.ToString(),
                        Kind = kind,
                        Thickness = thick ? Sample.Mm(thickness) : null,
                        Dimensions = PartSizes
                            .All.Select((s, i) => (Size: s, At: at[i], Known: known[i]))
                            .Where(s => s.Known && PartRule.Of(kind).Sizes.Contains(s.Size.Name))
                            .ToDictionary(
                                s => s.Size.Name,
                                s => new Quantity
                                {
                                    Value = s.Size.Low + (s.At * (s.Size.High - s.Size.Low)),
                                    Unit = s.Size.Unit,
                                    Known = Known.Box,
                                }
                            ),
                        Leaves = kind == PartKind.LeafPack ? leaves : [],
                    }
            )
            // Nothing else is taken onto a shelf.
            .Where(p =>
                p.Leaves.Count == 0
                || LeafPackBuild.WhyNot(p.Leaves, p.Get(PartSizes.ClampLength) ?? 0) is null
            );

    private static readonly Gen<StatedLoad> Loads = Gen.Select(
        Within(Unit.Kg, -500, 2_000),
        Within(Unit.Mm, -2_000, 8_000),
        Gen.Bool,
        (mass, behind, stays) =>
            new StatedLoad
            {
                Id = Guid.NewGuid(),
                Name = "load",
                Mass = mass,
                Behind = behind,
                Stays = stays,
            }
    );

    private static Vehicle On(
        Nokko.Core.Vehicles.Suspension front,
        Nokko.Core.Vehicles.Suspension rear
    ) => StacksTests.On(front, rear);

    private static Plan Of(IReadOnlyList<IReadOnlyList<PlacedPart>> stacks) =>
        Sample.Plan() with
        {
            Stacks =
            [
                .. Corners.All.Zip(
                    stacks,
                    (corner, parts) => new CornerStack { Corner = corner, Parts = parts }
                ),
            ],
        };

    [Fact]
    public void Anything_that_may_be_entered_is_answered_with_finite_numbers_or_reasons() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 3].Array[4], Loads.List[0, 2])
            .Sample(
                (front, rear, stacks, loads) =>
                {
                    var vehicle = On(front, rear);
                    var p = StacksTests.Predict(Of(stacks), vehicle, loads: loads);
                    var text = JsonSerializer.Serialize(p, JobJson.Options);
                    Assert.DoesNotContain("NaN", text, StringComparison.Ordinal);
                    Assert.Equal(p.Cannot is null, p.Stations.Count > 0);
                    Assert.All(
                        p.Corners,
                        c =>
                        {
                            Assert.True(c.Droop.Value is null or >= 0);
                            Assert.True(c.Bump.Value is null or >= 0);
                            Assert.All(
                                c.Cautions,
                                x => Assert.EndsWith(".", x.Says, StringComparison.Ordinal)
                            );
                        }
                    );
                    Assert.All(p.Refusals, r => Assert.EndsWith(".", r, StringComparison.Ordinal));
                    Assert.All(
                        p.Stations,
                        s =>
                            Assert.True(
                                s.Height.U >= s.Before.U - 1e-9,
                                "a plan never makes a height surer"
                            )
                    );
                },
                iter: Sample.Tries(700)
            );

    [Fact]
    public void What_any_plan_moves_is_told_in_finite_numbers_or_with_reasons_and_never_throws() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 3].Array[4], Loads.List[0, 2])
            .Sample(
                (front, rear, stacks, loads) =>
                {
                    var vehicle = On(front, rear) with { TyreSize = "265/70R17" };
                    var moved = PlanGeometry.Of(
                        Of(stacks),
                        new Situation(Sample.AsFound, vehicle, null) { Loads = loads },
                        travel: true
                    );
                    var text = JsonSerializer.Serialize(moved, JobJson.Options);
                    Assert.DoesNotContain("NaN", text, StringComparison.Ordinal);
                    Assert.DoesNotContain("Infinity", text, StringComparison.Ordinal);
                    Assert.All(
                        moved.Mechanisms,
                        m =>
                        {
                            Assert.EndsWith(".", m.Says, StringComparison.Ordinal);
                            Assert.NotEmpty(m.Ways);
                            Assert.Equal(m.Ways.Count, m.Ways.DistinctBy(w => w.Said).Count());
                            Assert.All(
                                m.Ways,
                                w => Assert.True(w.Figure.Value is null != w.Figure.Cannot is null)
                            );
                        }
                    );
                },
                iter: Sample.Tries(250)
            );

    [Fact]
    public void What_is_the_same_on_both_sides_never_leans_the_body() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 3], Parts.List[0, 3])
            .Sample(
                (front, rear, ahead, behind) =>
                {
                    PlacedPart[] Twin(IEnumerable<PlacedPart> parts) =>
                        [.. parts.Select(x => x with { Id = Guid.NewGuid() })];
                    var p = StacksTests.Predict(
                        Of([Twin(ahead), Twin(ahead), Twin(behind), Twin(behind)]),
                        On(front, rear)
                    );
                    if (p.Cannot is null)
                    {
                        Assert.Equal(0, p.LeanFront.Value!.Value, 1e-6);
                        Assert.Equal(0, p.LeanRear.Value!.Value, 1e-6);
                        // A held axle is a very stiff support, so its load is rounded: 0.007 N at the worst of 400,000 tries.
                        Assert.All(p.Loads, l => Assert.Equal(0, l.Change.Value!.Value, 0.05));
                    }
                },
                iter: Sample.Tries(250)
            );

    [Fact]
    public void A_plan_and_its_mirror_image_are_mirror_images() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 2].Array[4])
            .Sample(
                (front, rear, stacks) =>
                {
                    var vehicle = On(front, rear);
                    var p = StacksTests.Predict(Of(stacks), vehicle);
                    var m = StacksTests.Predict(
                        Of([stacks[1], stacks[0], stacks[3], stacks[2]]),
                        vehicle
                    );
                    Assert.Equal(p.Cannot is null, m.Cannot is null);
                    if (p.Cannot is null)
                    {
                        Assert.Equal(p.FrontRise.Value!.Value, m.FrontRise.Value!.Value, 1e-6);
                        Assert.Equal(p.LeanRear.Value!.Value, -m.LeanRear.Value!.Value, 1e-6);
                        Assert.Equal(p.Rake.U!.Value, m.Rake.U!.Value, 1e-6);
                    }
                },
                iter: Sample.Tries(250)
            );

    [Fact]
    public void Fitting_and_taking_out_again_is_where_it_began() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 2].Array[4])
            .Sample(
                (front, rear, stacks) =>
                {
                    var vehicle = On(front, rear);
                    var plan = Of(stacks);
                    var there = StacksTests.Predict(plan, vehicle);
                    if (there.Cannot is not null)
                    {
                        return;
                    }
                    var back = StacksTests.Predict(
                        Of([
                            [],
                            [],
                            [],
                            [],
                        ]),
                        vehicle,
                        Sample.AsFound with
                        {
                            Stacks = plan.Stacks,
                        }
                    );
                    Assert.Null(back.Cannot);
                    Assert.Equal(there.FrontRise.Value!.Value, -back.FrontRise.Value!.Value, 1e-6);
                    Assert.Equal(there.RearRise.Value!.Value, -back.RearRise.Value!.Value, 1e-6);
                },
                iter: Sample.Tries(250)
            );

    [Fact]
    public void Staying_as_it_is_changes_nothing_whatever_is_fitted() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[0, 3].Array[4])
            .Sample(
                (front, rear, stacks) =>
                {
                    var plan = Of(stacks);
                    var p = StacksTests.Predict(
                        plan,
                        On(front, rear),
                        Sample.AsFound with
                        {
                            Stacks = plan.Stacks,
                        }
                    );
                    // A part that nobody knows stays, and changes nothing; so there is always a prediction.
                    Assert.Null(p.Cannot);
                    Assert.Equal(0, p.FrontRise.Value!.Value, 1e-9);
                    Assert.Equal(0, p.Rake.Value!.Value - 60, 1e-9);
                    // Only a controller comes to rest anywhere in its dead band.
                    Assert.Equal(
                        rear.HeightControl switch
                        {
                            null => 0,
                            HeightControl.OneSensor => LiftLaw.DeadBandUMm,
                            _ => LiftLaw.DeadBandUMm / Math.Sqrt(2),
                        },
                        p.RearRise.U!.Value,
                        rear.HeightControl is null ? 1e-9 : 1e-3
                    );
                },
                iter: Sample.Tries(250)
            );

    [Fact]
    public void An_axle_on_which_nothing_changes_stays_where_both_sides_of_the_other_go_alike() =>
        Gen.Select(Suspensions, Suspensions, Parts.List[1, 3])
            .Sample(
                (front, rear, parts) =>
                {
                    // Mounts and tyres tilt the body as a whole; springs of one axle leave the other's hubs where they are.
                    if (
                        parts.Any(x =>
                            PartRule.Of(x.Kind).Family is LiftFamily.Puck or LiftFamily.Tyre
                        )
                    )
                    {
                        return;
                    }
                    PlacedPart[] Twin() => [.. parts.Select(x => x with { Id = Guid.NewGuid() })];
                    var p = StacksTests.Predict(Of([Twin(), Twin(), [], []]), On(front, rear));
                    if (p.Cannot is null)
                    {
                        Assert.Equal(0, p.RearRise.Value!.Value, 1e-6);
                    }
                },
                iter: Sample.Tries(250)
            );
}
