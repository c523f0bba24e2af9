using CsCheck;
using Nokko.Bay;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Bay;

public class BayTests
{
    private static readonly JobDocument Before = Sample.Job([520, 1040, 580, 580, 1040, 520]);
    private static readonly JobDocument Fitted = Sample.Job(
        [520, 1040, 580, 580, 1040, 520],
        [570, 1069, 580, 580, 1069, 570]
    );

    [Fact]
    public void A_line_reads_back_as_it_was_sent() =>
        Gen.Select(
                Gen.Long[0, 4_000_000_000_000_000],
                Gen.Double[-1e5, 1e5],
                Gen.OneOf("LF", "sill LF", "LF strut foot to lower arm"),
                Gen.Enum<LineState>(),
                Gen.OneOf([.. Unit.All])
            )
            .Sample(
                (micros, value, place, state, unit) =>
                {
                    var line = new BayLine(
                        DateTimeOffset.UnixEpoch.AddMicroseconds(micros),
                        "height-gauge",
                        "HG 1",
                        "height.hub",
                        place,
                        Math.Round(value, 4),
                        unit,
                        state
                    );
                    return BayLine.Parse(line.ToString()).Line == line;
                }
            );

    [Fact]
    public void No_text_makes_the_reader_of_lines_throw() =>
        Gen.String.Sample(text =>
        {
            var (line, why) = BayLine.Parse(text);
            return line is null != why is null;
        });

    [Theory]
    [InlineData("NOKKO2 2026-03-02T08:15:00Z g s height.hub LF 523.4 mm steady", "begins")]
    [InlineData("NOKKO1 yesterday g s height.hub LF 523.4 mm steady", "instant")]
    [InlineData("NOKKO1 2026-03-02T08:15:00Z g s height.hub LF 523,4 mm steady", "number")]
    [InlineData("NOKKO1 2026-03-02T08:15:00Z g s height.hub LF 523.4 ell steady", "unit")]
    [InlineData("NOKKO1 2026-03-02T08:15:00Z g s height.hub LF 523.4 mm so-so", "steady")]
    [InlineData("NOKKO1 2026-03-02T08:15:00Z g s height.hub LF  523.4 mm steady", "fields")]
    public void A_line_that_is_none_is_refused_with_the_reason(string text, string why) =>
        Assert.Contains(why, BayLine.Parse(text).Why, StringComparison.Ordinal);

    [Fact]
    public void The_virtual_vehicle_stands_as_it_was_measured_and_rises_with_its_parts()
    {
        var before = new VirtualVehicle(Before, Before.WalkRounds[0], new BayOptions(1));
        Assert.Equal(520, before.TrueMm("LF", Datum.Hub), 9);
        var after = new VirtualVehicle(Fitted, Fitted.WalkRounds[1], new BayOptions(1));
        // A plate of 25.4 rises 3 + 1.9·25.4 on the mean; this vehicle within a tenth of that.
        Assert.InRange(after.TrueMm("LF", Datum.Hub) - 520, 0.9 * 51.2, 1.1 * 51.3);
        Assert.Equal(after.TrueMm("LF", Datum.Hub), after.TrueMm("RF", Datum.Hub), 9);
    }

    [Fact]
    public void The_rack_reads_what_the_vehicle_s_own_arms_do_over_the_ground()
    {
        static Core.Vehicles.Suspension Taped(Core.Vehicles.Suspension front) =>
            front with
            {
                Kind = SuspensionKind.CoilOverArm,
                SpacePoints =
                [
                    .. SpaceArms.Names.Zip(
                        Geometry.SpaceWishboneTests.Points.ToArray(),
                        (name, p) =>
                            new SuspensionPoint
                            {
                                Name = name.Name,
                                X = Sample.Mm(p.X),
                                Y = Sample.Mm(p.Y),
                                Z = Sample.Mm(p.Z),
                            }
                    ),
                ],
            };
        var fitted = Fitted with
        {
            Stages = [.. Fitted.Stages.Select(s => s with { Front = Taped(s.Front) })],
        };
        double Mean(JobDocument job, int round, string measure, string place)
        {
            var vehicle = new VirtualVehicle(job, job.WalkRounds[round], new BayOptions(5));
            return Enumerable.Range(0, 100).Average(_ => vehicle.ReadDegrees(measure, place));
        }
        double Change(string measure, string place) =>
            Mean(fitted, 1, measure, place) - Mean(fitted, 0, measure, place);
        var after = new VirtualVehicle(fitted, fitted.WalkRounds[1], new BayOptions(5));
        var (lift, rear) = (
            after.TrueMm("LF", Datum.Hub) - 520,
            after.TrueMm("LR", Datum.Hub) - 580
        );
        var arms = new SpaceWishbone(Geometry.SpaceWishboneTests.Points);
        var (was, now) = (arms.At(0)!.Value, arms.At(-lift)!.Value);
        const double Degrees = 180 / Math.PI;
        // Both sides rise alike: the body does not lean.
        Assert.Equal((now.Camber - was.Camber) * Degrees, Change(Measures.CamberAngle, "LF"), 0.02);
        Assert.Equal((now.Camber - was.Camber) * Degrees, Change(Measures.CamberAngle, "RF"), 0.02);
        Assert.Equal((now.Toe - was.Toe) * Degrees, Change("toeAngle", "LF"), 0.02);
        var wheelbase = fitted.Vehicle.Dimensions.Wheelbase!.In(Unit.Mm);
        Assert.Equal(
            (now.Caster - was.Caster + ((lift - rear) / wheelbase)) * Degrees,
            Change(Measures.Caster, "LF"),
            0.02
        );
    }

    [Fact]
    public void Pucks_raise_the_body_and_leave_the_wheels_as_they_stood()
    {
        var pucks = Fitted.Stages[1] with
        {
            Stacks =
            [
                .. Corners.All.Select(
                    (c, i) =>
                        new CornerStack
                        {
                            Corner = c,
                            Parts = [Sample.Plate(60 + i, 50, PartKind.BodyPuck)],
                        }
                ),
            ],
        };
        var lifted = Fitted with { Stages = [Fitted.Stages[0], pucks] };
        VirtualVehicle At(int round) => new(lifted, lifted.WalkRounds[round], new BayOptions(5));
        Assert.True(At(1).TrueMm("LF", Datum.Hub) > At(0).TrueMm("LF", Datum.Hub) + 40);
        foreach (var measure in new[] { Measures.CamberAngle, "toeAngle", Measures.Caster })
        {
            Assert.Equal(At(0).ReadDegrees(measure, "LF"), At(1).ReadDegrees(measure, "LF"), 0.01);
        }
    }

    [Fact]
    public void A_live_axle_that_is_lifted_keeps_camber_and_toe()
    {
        var fitted = Fitted with
        {
            Vehicle = Fitted.Vehicle with
            {
                Dimensions = Fitted.Vehicle.Dimensions with { FrontSpringBase = Sample.Mm(1000) },
            },
            Stages =
            [
                .. Fitted.Stages.Select(s =>
                    s with
                    {
                        Front = new() { Kind = SuspensionKind.CoilOverAxle },
                    }
                ),
            ],
        };
        VirtualVehicle At(int round) => new(fitted, fitted.WalkRounds[round], new BayOptions(5));
        Assert.True(At(1).TrueMm("LF", Datum.Hub) > At(0).TrueMm("LF", Datum.Hub) + 10);
        foreach (var measure in new[] { Measures.CamberAngle, "toeAngle" })
        {
            // The same seed: the hand errs alike.
            Assert.Equal(At(0).ReadDegrees(measure, "LF"), At(1).ReadDegrees(measure, "LF"), 1e-9);
        }
    }

    [Fact]
    public void Reads_scatter_about_the_truth_and_settle_towards_it()
    {
        var vehicle = new VirtualVehicle(Before, Before.WalkRounds[0], new BayOptions(7));
        var reads = Enumerable.Range(0, 400).Select(_ => vehicle.ReadMm("LF", Datum.Hub)).ToArray();
        Assert.InRange(reads.Average(), 520 - 0.1, 520 + 0.1);
        Assert.InRange(Math.Sqrt(reads.Average(r => (r - 520) * (r - 520))), 0.3, 0.5);
        Assert.InRange(vehicle.ReadMm("LF", Datum.Hub, 0) - 520, 4, 8);
        Assert.InRange(vehicle.ReadMm("LF", Datum.Hub, 200) - 520, -2, 2);
    }

    [Fact]
    public void A_slip_and_a_low_pad_are_in_the_reads()
    {
        var vehicle = new VirtualVehicle(
            Before,
            Before.WalkRounds[0],
            new BayOptions(
                1,
                NoiseMm: 1e-6,
                Pads:
                [
                    Pad(Corner.LF, -10),
                    Pad(Corner.RF, 0),
                    Pad(Corner.LR, 0),
                    Pad(Corner.RR, 0),
                ],
                SlipStation: "RR"
            )
        );
        Assert.InRange(vehicle.ReadMm("LF", Datum.Hub) - 520, 1, 5);
        Assert.InRange(vehicle.ReadMm("RR", Datum.Hub) - 580, 12.7 - 4, 12.7 + 4);
    }

    [Fact]
    public void The_same_seed_gives_the_same_reads()
    {
        double[] Reads() =>
            [
                .. Enumerable
                    .Repeat(new VirtualVehicle(Before, Before.WalkRounds[0], new BayOptions(3)), 1)
                    .SelectMany(v =>
                        Enumerable.Range(0, 5).Select(_ => v.ReadMm("LF", Datum.Floor))
                    ),
            ];
        Assert.Equal(Reads(), Reads());
    }

    [Fact]
    public void Instruments_move_before_they_stand_still()
    {
        var vehicle = new VirtualVehicle(Before, Before.WalkRounds[0], new BayOptions(1));
        var lines = Enumerable
            .Range(0, 5)
            .Select(n => Instruments.Height(vehicle, "LF", Datum.Hub, n, Sample.At(0)))
            .ToArray();
        Assert.Equal(LineState.Moving, lines[0].State);
        Assert.Equal(LineState.Steady, lines[^1].State);
        var pull = Enumerable
            .Range(0, 8)
            .Select(n =>
                Instruments.Torque("joint", 137, Unit.NewtonMetre, n, Sample.At(0), new Random(1))
            )
            .ToArray();
        Assert.True(pull.Zip(pull.Skip(1)).All(p => p.First.Value <= p.Second.Value));
        Assert.InRange(pull[^1].Value, 137, 140);
        Assert.Equal(LineState.Peak, pull[^1].State);
        Assert.Throws<ArgumentException>(() =>
            Instruments.Angle(
                vehicle,
                Instruments.AlignmentRack,
                Measures.PinionAngle,
                "rear",
                0,
                Sample.At(0)
            )
        );
    }

    private static WheelPad Pad(Corner wheel, double mm) =>
        new() { Wheel = wheel, Height = Quantity.Mm(mm, Known.Measured) };

    [Fact]
    public void The_scales_swing_and_stand_still_on_what_each_wheel_carries()
    {
        // Weighed 560, 540, 425, 475 before; a taller plate on one corner moves the diagonals.
        double[] weighed = [560, 540, 425, 475];
        var job = Fitted with
        {
            Readings =
            [
                .. Fitted.Readings,
                .. weighed.Select(
                    (kg, i) =>
                        Sample.Reading(600 + i, 40, null, 0) with
                        {
                            Kind = ReadingKind.Load,
                            Measure = Measures.WheelWeight,
                            From = null,
                            Place = new() { Kind = PlaceKind.Wheel, Name = Corners.All[i].Name() },
                            Value = Sample.Of(kg, Unit.Kg, Known.Measured),
                        }
                ),
            ],
        };
        VirtualVehicle At(JobDocument of, int round) => new(of, of.WalkRounds[round], new(5));
        double Mean(VirtualVehicle vehicle, Corner corner) =>
            Enumerable.Range(0, 200).Average(_ => vehicle.ReadKg(corner));
        foreach (var (corner, kg) in Corners.All.Zip(weighed))
        {
            Assert.Equal(kg, Mean(At(job, 0), corner), 0.2);
        }
        // Both fronts rose alike: nothing went across. On the left alone, right front and left rear give some up.
        Assert.Equal(weighed[0], Mean(At(job, 1), Corner.LF), 0.5);
        var left = job with
        {
            Plans =
            [
                .. job.Plans.Select(p =>
                    p with
                    {
                        Stacks = [.. p.Stacks.Where(s => s.Corner == Corner.LF)],
                    }
                ),
            ],
        };
        var gained = Mean(At(left, 1), Corner.LF) - weighed[0];
        Assert.True(gained > 2);
        Assert.Equal(-gained, Mean(At(left, 1), Corner.RF) - weighed[1], 0.3);
        Assert.Equal(gained, Mean(At(left, 1), Corner.RR) - weighed[3], 0.3);
        var lines = Enumerable
            .Range(0, 5)
            .Select(n => Instruments.Weight(At(job, 0), Corner.LF, n, Sample.At(n)))
            .ToArray();
        Assert.Equal(3, lines.Count(l => l.State == LineState.Moving));
        Assert.InRange(lines[4].Value, 557, 563);
        Assert.Equal(lines[4], BayLine.Parse(lines[4].ToString()).Line);
    }
}
