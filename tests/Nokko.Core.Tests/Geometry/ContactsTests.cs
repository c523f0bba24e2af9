using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What the tyres touch, straight and turned.</summary>
public class ContactsTests
{
    /// <summary>What must be left beside a tyre, mm: a rule of thumb.</summary>
    private const double Keep = 12;

    /// <summary>What was taped round the front tyres, 265/70R17.</summary>
    private static readonly (string, double)[] Gaps =
    [
        (SuspensionSizes.TyreGap, 80),
        (SuspensionSizes.TyreToFrame, 60),
        (SuspensionSizes.TyreToArm, 30),
        (SuspensionSizes.AheadAtLock, 45),
        (SuspensionSizes.BehindAtLock, 40),
        (SuspensionSizes.InsideAtLock, 38),
        (SuspensionSizes.LockAngle, 33),
    ];

    private static Vehicle With(params (string, double)[] sizes) =>
        On(SuspensionKind.CoilRadiusArm, SuspensionKind.CoilFourLink, sizes) with
        {
            TyreSize = "265/70R17",
        };

    private static (Corner, PlacedPart)[] Tyres(params (string, double)[] sizes) =>
        [
            .. Corners
                .Of(Axle.Front)
                .Select(
                    (c, i) =>
                        (
                            c,
                            StacksTests.Part(60, PartKind.Tyre, null, sizes) with
                            {
                                Id = Sample.Id(80 + i),
                                Name = "Plover tyre",
                            }
                        )
                ),
        ];

    private static readonly (string, double)[] Large =
    [
        (PartSizes.Diameter, 853),
        (PartSizes.Width, 285),
    ];

    private static Mechanism Front(
        (string, double)[] sizes,
        (Corner, PlacedPart)[] parts,
        bool travel = false
    ) => One(Of(With(sizes), parts, travel: travel), MechanismKind.Contacts, "front");

    private static Result Gap(
        MechanismWay way,
        ContactWith with,
        ContactAt at = ContactAt.Ride,
        bool turned = false
    ) => Assert.Single(way.Contacts, c => c.With == with && c.At == at && c.Turned == turned).Gap;

    private static double Mm(
        MechanismWay way,
        ContactWith with,
        ContactAt at = ContactAt.Ride,
        bool turned = false
    ) => Gap(way, with, at, turned).Value!.Value;

    [Fact]
    public void A_larger_tyre_takes_from_every_gap_what_it_reaches_further_there()
    {
        var front = Front(Gaps, Tyres(Large));
        var before = front.Ways[0];
        Assert.Equal(40, Mm(before, ContactWith.Behind, turned: true), 1e-9);
        var then = front.Stands;
        Assert.Equal(WayKind.Planned, then.Kind);
        Assert.Equal(80 - 25.1, Mm(then, ContactWith.Above), 1e-6);
        Assert.Equal(45 - 26.97, Mm(then, ContactWith.Ahead, turned: true), 0.01);
        Assert.Equal(40 - 26.97, Mm(then, ContactWith.Behind, turned: true), 0.01);
        Assert.Equal(38 - 22.06, Mm(then, ContactWith.Frame, turned: true), 0.01);
        Assert.Equal(60 - 10, Mm(then, ContactWith.Frame), 1e-6);
        Assert.Equal(30 - 10, Mm(then, ContactWith.Arm), 1e-6);
        Assert.Equal(40 - 26.97, then.Figure.Value!.Value, 0.01);
        Assert.False(front.Beyond);
        Assert.Contains("clears all that was taped", front.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_shop_that_keeps_more_beside_a_tyre_is_told_what_is_short_by_its_own()
    {
        Mechanism With(double mm) =>
            One(
                PlanGeometry.Of(
                    Sample.Plan(Tyres(Large)),
                    new Situation(Sample.AsFound, ContactsTests.With(Gaps), null)
                    {
                        Limits = new([new GeometryLimit(MechanismKind.Contacts, Sample.Mm(mm))]),
                    }
                ),
                MechanismKind.Contacts,
                "front"
            );
        // Behind the turned tyre 13.03 are left.
        Assert.False(With(13).Beyond);
        var front = With(16);
        Assert.True(front.Beyond);
        Assert.Contains(
            "5/8 in (16 mm), our own limit, should be",
            front.Says,
            StringComparison.Ordinal
        );
        Assert.Equal((16, false), (front.Limit!.Value, front.LimitIsRule));
        // Above the tyre the rule of thumb stays.
        Assert.Equal(25, front.Stands.Contacts.First(c => c.With == ContactWith.Above).KeepMm);
    }

    [Fact]
    public void Rims_that_stand_further_out_give_inside_what_they_take_ahead_and_behind()
    {
        (string, double)[] rims = [.. Large, (PartSizes.RimOffset, 0)];
        Assert.Contains(
            "offset (ET) of the rims that are on",
            Front(Gaps, Tyres(rims)).Says,
            StringComparison.Ordinal
        );
        var front = Front([.. Gaps, (SuspensionSizes.RimOffset, 25)], Tyres(rims));
        Assert.Equal(40 - 35.51, Mm(front.Stands, ContactWith.Behind, turned: true), 0.01);
        Assert.Equal(38 - 1.09, Mm(front.Stands, ContactWith.Frame, turned: true), 0.01);
        Assert.Equal(30 + 15, Mm(front.Stands, ContactWith.Arm), 1e-6);
        Assert.True(front.Beyond);
        Assert.StartsWith("Behind it, turning,", front.Says, StringComparison.Ordinal);
        Assert.Contains("One more of its gaps is short.", front.Says, StringComparison.Ordinal);
        Assert.Equal(
            35,
            Assert
                .Single(
                    front.Stands.Also,
                    a => a.Label.StartsWith("Its outer wall", StringComparison.Ordinal)
                )
                .Result.Value!.Value,
            1e-9
        );
        Assert.Equal(
            25,
            Assert
                .Single(
                    front.Stands.Also,
                    a => a.Label.StartsWith("Scrub", StringComparison.Ordinal)
                )
                .Result.Value!.Value,
            1e-9
        );
    }

    [Fact]
    public void A_rim_that_is_wider_than_its_tyre_counts_instead_of_it()
    {
        var wide = Front(Gaps, Tyres([.. Large, (PartSizes.RimWidth, 305)])).Stands;
        Assert.Equal(30 - 20, Mm(wide, ContactWith.Arm), 1e-6);
        var narrow = Front(Gaps, Tyres([.. Large, (PartSizes.RimWidth, 220)])).Stands;
        Assert.Equal(30 - 10, Mm(narrow, ContactWith.Arm), 1e-6);
    }

    [Fact]
    public void What_touches_is_stopped_and_every_cure_that_is_offered_keeps_what_it_is_for()
    {
        (string, double)[] close =
        [
            .. Gaps.Where(g => g.Item1 != SuspensionSizes.InsideAtLock),
            (SuspensionSizes.InsideAtLock, 21),
        ];
        var front = Front(close, Tyres(Large));
        Assert.True(front.Beyond);
        Assert.Equal(-1.06, front.Stands.Figure.Value!.Value, 0.01);
        Assert.Equal(Heed.Stop, front.Stands.Care!.Heed);
        Assert.Contains("at lock", front.Stands.Care.Says, StringComparison.Ordinal);
        Assert.Contains("at lock, the tyre touches by", front.Says, StringComparison.Ordinal);
        MechanismWay[] cures = [.. front.Ways.Where(w => w.Kind == WayKind.Cure)];
        Assert.Equal(3, cures.Length);
        Assert.All(
            cures,
            c =>
            {
                Assert.True(Mm(c, ContactWith.Frame, turned: true) >= Keep);
                Assert.Null(c.Care);
            }
        );
        // Earlier by so many degrees: what the corner reaches the less, worked out by hand.
        var stops = Way(front, "Steering stops");
        var degrees = int.Parse(
            stops.Said.Split(' ')[2].TrimEnd('°'),
            System.Globalization.CultureInfo.InvariantCulture
        );
        double Reach(double lockDegrees) =>
            (426.5 * Math.Sin(lockDegrees * Math.PI / 180))
            + (142.5 * Math.Cos(lockDegrees * Math.PI / 180));
        Assert.Equal(
            -1.06 + Reach(33) - Reach(33 - degrees),
            Mm(stops, ContactWith.Frame, turned: true),
            0.01
        );
        Assert.True(-1.06 + Reach(33) - Reach(33 - degrees + 1) < Keep);
    }

    [Fact]
    public void The_largest_tyre_keeps_every_gap_and_one_that_is_larger_does_not()
    {
        var most = Assert
            .Single(
                Front(Gaps, Tyres(Large)).Stands.Also,
                a => a.Label.StartsWith("Largest", StringComparison.Ordinal)
            )
            .Result.Value!.Value;
        MechanismWay Of(double diameter) =>
            Front(Gaps, Tyres((PartSizes.Diameter, diameter), (PartSizes.Width, 285))).Stands;
        static bool Keeps(MechanismWay way) => way.Contacts.All(c => !(c.Gap.Value < c.KeepMm));
        Assert.True(most > 853);
        Assert.True(Keeps(Of(most)));
        Assert.False(Keeps(Of(most + 2)));
    }

    [Fact]
    public void A_lift_gives_room_above_and_a_track_bar_takes_it_at_the_frame()
    {
        var front = Front([.. Gaps, .. Bar], Rings(50, 0));
        Assert.Equal(WayKind.Lifted, front.Stands.Kind);
        var lifted = Of(With([.. Gaps, .. Bar]), Rings(50, 0));
        Assert.Equal(80 + lifted.FrontRise.Value!.Value, Mm(front.Stands, ContactWith.Above), 1e-6);
        var aside = One(lifted, MechanismKind.TrackBar, "front").Stands.Figure.Value!.Value;
        Assert.True(Math.Abs(aside) > 3);
        Assert.Equal(60 - Math.Abs(aside), Mm(front.Stands, ContactWith.Frame), 1e-6);
        Assert.Equal(38 - Math.Abs(aside), Mm(front.Stands, ContactWith.Frame, turned: true), 1e-6);
        Assert.Equal(30, Mm(front.Stands, ContactWith.Arm), 1e-6);
        Assert.Equal(45, Mm(front.Stands, ContactWith.Ahead, turned: true), 1e-6);
        Assert.DoesNotContain(
            "bump stop",
            string.Join(' ', front.Checks),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void At_full_bump_it_is_told_whether_the_tyre_or_the_stop_meets_first()
    {
        (string, double)[] stop =
        [
            (SuspensionSizes.TyreGap, 90),
            (SuspensionSizes.BumpStopGap, 55),
            (SuspensionSizes.BumpStopHeight, 50),
        ];
        // A stop of 50 is pressed by 20: the wheel goes up by 75.
        var kept = Front(stop, Tyres((PartSizes.Diameter, 822.8))).Stands;
        Assert.Equal(90 - 10 - 75, Mm(kept, ContactWith.Above, ContactAt.Bump), 1e-6);
        var large = Front(stop, Tyres(Large));
        Assert.Equal(90 - 25.1 - 75, Mm(large.Stands, ContactWith.Above, ContactAt.Bump), 1e-6);
        Assert.True(large.Beyond);
        Assert.Contains(
            large.Checks,
            c => c.StartsWith("A longer bump stop", StringComparison.Ordinal)
        );
        Assert.StartsWith(
            "Above it, at full bump, the tyre touches",
            large.Says,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_gap_that_was_taped_flexed_loses_by_the_tyre_alone()
    {
        var front = Front(
            [.. Gaps, .. Bar, (SuspensionSizes.BehindFlexed, 33)],
            [.. Tyres(Large), .. Rings(50, 0)]
        );
        var flexed = Gap(front.Stands, ContactWith.Behind, ContactAt.Bump, true);
        Assert.Equal(33 - 26.97, flexed.Value!.Value, 0.01);
        // The same on its wheels is known the less: it hangs lower in its arch.
        Assert.True(Gap(front.Stands, ContactWith.Behind, turned: true).U > flexed.U);
    }

    [Fact]
    public void Without_another_tyre_and_without_a_tape_nothing_is_said_and_with_one_it_is_asked_for()
    {
        Assert.DoesNotContain(
            Of(With(), Rings(50, 50)).Mechanisms,
            m => m.Kind == MechanismKind.Contacts
        );
        var asked = Front([], Tyres(Large));
        Assert.StartsWith("Tape the gaps", asked.Says, StringComparison.Ordinal);
        Assert.False(asked.Beyond);
        Assert.Equal(SuspensionSizes.TyreGap, asked.Asks[0].Size);
        Assert.Contains(asked.Asks, a => a.Size == SuspensionSizes.BehindAtLock);
        Assert.DoesNotContain(asked.Asks, a => a.Size == SuspensionSizes.RimOffset);
        var unknown = One(
            Of(With(Gaps) with { TyreSize = null }, Rings(50, 50)),
            MechanismKind.Contacts,
            "front"
        );
        Assert.Equal(
            "What is left round the tyre cannot be told. Enter the size of the tyres that are on (Take in).",
            unknown.Says
        );
        Assert.False(unknown.Beyond);
        var bare = Front(Gaps, Tyres());
        Assert.Contains("outer diameter", bare.Says, StringComparison.Ordinal);
        Assert.False(bare.Beyond);
        Assert.Equal(40, bare.Ways[0].Contacts.Where(c => c.Turned).Skip(1).First().Gap.Value);
    }

    [Fact]
    public void A_rear_axle_turns_nowhere()
    {
        var rear = One(
            Of(
                On(SuspensionKind.CoilRadiusArm, SuspensionKind.CoilFourLink) with
                {
                    TyreSize = "265/70R17",
                },
                [.. Tyres(Large).Select((t, i) => (Corners.Of(Axle.Rear).ElementAt(i), t.Item2))],
                travel: true
            ),
            MechanismKind.Contacts,
            "rear"
        );
        Assert.All(rear.Ways, w => Assert.DoesNotContain(w.Contacts, c => c.Turned));
        Assert.All(rear.Ways, w => Assert.Null(w.Lock));
        Assert.DoesNotContain(rear.Asks, a => SuspensionSizes.Find(a.Size)!.Steered);
        Assert.DoesNotContain("lock", string.Join(' ', rear.Checks), StringComparison.Ordinal);
    }

    [Fact]
    public void Through_the_lock_the_least_gap_is_the_one_that_was_foretold()
    {
        var front = Front(Gaps, Tyres(Large), travel: true);
        var turned = front.Stands.Lock!;
        Assert.Equal(-33, turned.Degrees[0]);
        Assert.Equal(33, turned.Degrees[^1]);
        Assert.Equal(turned.GapMm[0], turned.GapMm[^1], 1e-6);
        // Whole degrees miss the farthest place by little.
        Assert.Equal(front.Stands.Figure.Value!.Value, turned.GapMm.Min(), 0.1);
        var before = front.Ways[0].Lock!;
        Assert.Equal(38, before.GapMm[^1], 0.01);
        // Its corner points straight behind at 18.3°: the tyre itself, turned so far, is where the gap was taped.
        Assert.Equal(40, before.GapMm[before.Degrees.ToList().IndexOf(18)], 0.1);
        // What a track bar takes at the frame is taken through the whole lock.
        var aside = Front([.. Gaps, .. Bar], Rings(50, 0), travel: true).Stands;
        Assert.Equal(Mm(aside, ContactWith.Frame, turned: true), aside.Lock!.GapMm[^1], 0.01);
        Assert.True(aside.Lock.GapMm[^1] < 34);
        var stops = Way(
            Front(
                [
                    .. Gaps.Where(g => g.Item1 != SuspensionSizes.InsideAtLock),
                    (SuspensionSizes.InsideAtLock, 21),
                ],
                Tyres(Large),
                true
            ),
            "Steering stops"
        ).Lock!;
        Assert.True(stops.Degrees[^1] < 33);
    }

    [Fact]
    public void A_width_or_a_lock_that_nobody_told_is_said_and_makes_the_numbers_wider()
    {
        var told = Front(Gaps, Tyres(Large));
        var untold = Front(
            [.. Gaps.Where(g => g.Item1 != SuspensionSizes.LockAngle)],
            Tyres((PartSizes.Diameter, 853))
        );
        Assert.Contains(
            untold.Checks,
            c => c.Contains("as wide as the old", StringComparison.Ordinal)
        );
        Assert.Contains(untold.Checks, c => c.Contains("33°", StringComparison.Ordinal));
        Assert.DoesNotContain(told.Checks, c => c.Contains("33°", StringComparison.Ordinal));
        Assert.Equal(30, Mm(untold.Stands, ContactWith.Arm), 1e-6);
        Assert.True(
            Gap(untold.Stands, ContactWith.Frame, turned: true).U
                > Gap(told.Stands, ContactWith.Frame, turned: true).U
        );
    }

    [Fact]
    public void What_clears_by_less_than_it_is_known_by_may_touch_and_what_touched_before_is_told_so()
    {
        (string, double)[] Behind(double mm) =>
            [
                .. Gaps.Where(g => g.Item1 != SuspensionSizes.BehindAtLock),
                (SuspensionSizes.BehindAtLock, mm),
            ];
        var sure = Front(Behind(60), Tyres(Large));
        Assert.DoesNotContain("may touch", sure.Says, StringComparison.Ordinal);
        var unsure = Front(Behind(30), Tyres(Large));
        var gap = Gap(unsure.Stands, ContactWith.Behind, turned: true);
        Assert.InRange(gap.Value!.Value, 0, 2 * gap.U!.Value);
        Assert.EndsWith("it is tried there first.", unsure.Says, StringComparison.Ordinal);
        // The stop is pressed 75 up and the tyre has 60: that was so before, and a lift of the springs does not change it.
        var before = Front(
            [
                (SuspensionSizes.TyreGap, 60),
                (SuspensionSizes.BumpStopGap, 55),
                (SuspensionSizes.BumpStopHeight, 50),
                (SuspensionSizes.TyreToArm, 30),
            ],
            Rings(50, 50)
        );
        Assert.Equal(
            "Above it, at full bump, the tyre touches by 9/16 in (15 mm), as it did before.",
            before.Says
        );
        Assert.False(before.Beyond);
        Assert.Null(before.Stands.Care);
    }

    [Fact]
    public void A_wish_for_a_tyre_is_answered_with_what_it_leaves_at_lock()
    {
        var room = TyreRoom.Of(With(Gaps), "285/70R17")!;
        // 285/70R17 is 830.8 across: √(415.4² + 142.5²) − √(401.4² + 132.5²) = 16.46 ahead and behind, 16.01 at the frame.
        Assert.Equal(38 - 16.01, room[0].AtLock.Value!.Value, 0.01);
        Assert.Equal("It does not steer.", room[1].AtLock.Cannot);
    }

    [Fact]
    public void A_gap_that_is_taped_while_the_plan_is_being_fitted_counts_and_one_of_another_axle_does_not()
    {
        double[] read = [520, 1040, 580, 580, 1040, 520];
        var begun = Sample.Job(read, read);
        JobDocument Taped(SuspensionKind kind) =>
            begun with
            {
                Vehicle = begun.Vehicle with { TyreSize = "265/70R17" },
                Stages =
                [
                    begun.Stages[0],
                    begun.Stages[1] with
                    {
                        Front = StacksTests.Of(kind, (SuspensionSizes.TyreToArm, 30)),
                    },
                ],
            };
        IEnumerable<Mechanism> Front(SuspensionKind kind)
        {
            var job = Taped(kind);
            return JobGeometry
                .Of(job, job.BegunPlan(), PlatformEvidence.None)
                .Mechanisms.Where(m => m is { Kind: MechanismKind.Contacts, Where: "front" });
        }
        var kept = begun.Stages[0].Front.Kind;
        Assert.Equal(30, Mm(Assert.Single(Front(kept)).Ways[0], ContactWith.Arm));
        Assert.Contains(
            JobEvaluator.Evaluate(Taped(kept)).Moved,
            m => m.Kind == MechanismKind.Contacts
        );
        Assert.NotEqual(SuspensionKind.CoilFourLink, kept);
        Assert.Empty(Front(SuspensionKind.CoilFourLink));
    }

    [Fact]
    public void What_was_taped_flexed_is_turned_in_front_and_of_no_rear_axle()
    {
        (string, double)[] flexed =
        [
            .. Gaps,
            (SuspensionSizes.AheadFlexed, 25),
            (SuspensionSizes.BehindFlexed, 30),
            (SuspensionSizes.InsideFlexed, 35),
        ];
        var front = Front(flexed, Tyres(Large));
        Assert.Equal(
            [ContactWith.Ahead, ContactWith.Behind, ContactWith.Frame],
            front
                .Stands.Contacts.Where(c => c is { At: ContactAt.Bump, Turned: true })
                .Select(c => c.With)
        );
        var rear = One(
            Of(
                StacksTests.On(
                    StacksTests.Of(SuspensionKind.CoilRadiusArm),
                    StacksTests.Of(SuspensionKind.CoilFourLink, flexed)
                ) with
                {
                    TyreSize = "265/70R17",
                },
                [.. Tyres(Large).Select((t, i) => (Corners.Of(Axle.Rear)[i], t.Item2))]
            ),
            MechanismKind.Contacts,
            "rear"
        );
        Assert.DoesNotContain(rear.Stands.Contacts, c => c.Turned);
        // Through its lock it is drawn where somebody asks, from whatever was taped.
        Assert.Null(front.Stands.Lock);
        Assert.NotNull(
            Front(
                [(SuspensionSizes.InsideAtLock, 38), (SuspensionSizes.LockAngle, 33)],
                Tyres(Large),
                travel: true
            ).Stands.Lock
        );
        Assert.NotNull(
            Front(
                [(SuspensionSizes.AheadAtLock, 45), (SuspensionSizes.LockAngle, 33)],
                Tyres(Large),
                travel: true
            ).Stands.Lock
        );
        Assert.Null(
            Front([(SuspensionSizes.LockAngle, 33)], Tyres(Large), travel: true).Stands.Lock
        );
    }

    [Fact]
    public void A_tyre_that_is_narrower_than_its_rim_reaches_as_far_as_the_rim()
    {
        // 215/85R16 is 772 across; on rims of 254 between the flanges the rim decides, not 215.
        Result Room(double? rim) =>
            TyreRoom
                .Of(
                    With([
                        .. Gaps,
                        .. rim is { } mm
                            ? ((string, double)[])[(SuspensionSizes.RimWidth, mm)]
                            : [],
                    ]),
                    "215/85R16"
                )![0]
                .AtLock;
        Assert.True(Room(254).Value < Room(null).Value - 5);
        Assert.Equal(Room(null).Value!.Value, Room(150).Value!.Value, 1e-9);
    }

    private static double U(MechanismWay way, ContactWith with, bool turned = false) =>
        Gap(way, with, turned: turned).U!.Value;

    [Fact]
    public void What_nobody_told_of_a_tyre_widens_the_band_of_its_gaps()
    {
        MechanismWay With(params (string, double)[] tyre) =>
            Front([.. Gaps, (SuspensionSizes.RimOffset, 25)], Tyres(tyre)).Stands;
        var told = With((PartSizes.Diameter, 853), (PartSizes.Width, 285));
        var untold = With((PartSizes.Diameter, 853));
        // Half a width that was told is good to 2 mm, one that was not to 8.
        Assert.Equal(
            (8 * 8) - (2 * 2),
            Math.Pow(U(untold, ContactWith.Frame), 2) - Math.Pow(U(told, ContactWith.Frame), 2),
            0.01
        );
        // Another rim, though of the same offset, is good to a millimetre.
        var rims = With(
            (PartSizes.Diameter, 853),
            (PartSizes.Width, 285),
            (PartSizes.RimOffset, 25)
        );
        Assert.Equal(
            1,
            Math.Pow(U(rims, ContactWith.Frame), 2) - Math.Pow(U(told, ContactWith.Frame), 2),
            0.01
        );
        // A tyre of the printed size is what it was: only another diameter has an error of its own.
        var same = With((PartSizes.Diameter, 802.8), (PartSizes.Width, 265));
        Assert.True(U(told, ContactWith.Ahead, true) > U(same, ContactWith.Ahead, true) + 0.3);
    }

    [Fact]
    public void A_lift_makes_what_was_taped_turned_on_its_wheels_less_sure_and_nothing_else()
    {
        (string, double)[] sizes = [.. Gaps];
        var still = Front(sizes, Tyres(Large)).Stands;
        var lifted = Front(sizes, [.. Rings(40, 0), .. Tyres(Large)]).Stands;
        Assert.Equal(
            9,
            Math.Pow(U(lifted, ContactWith.Ahead, true), 2)
                - Math.Pow(U(still, ContactWith.Ahead, true), 2),
            0.01
        );
        Assert.Equal(U(still, ContactWith.Arm), U(lifted, ContactWith.Arm), 1e-9);
    }

    [Fact]
    public void The_gap_that_is_shortest_of_what_it_must_keep_is_named_and_a_smaller_tyre_opens_all()
    {
        // Above 44.9 − 25.1 = 19.8 of 25 are left: 5.2 short. Beside the arm 19 − 10 = 9 of 12: 3 short.
        (string, double)[] sizes =
        [
            (SuspensionSizes.TyreGap, 44.9),
            (SuspensionSizes.TyreToArm, 19),
        ];
        var front = Front(sizes, Tyres(Large));
        Assert.StartsWith("Above it", front.Says, StringComparison.Ordinal);
        Assert.Contains("One more of its gaps is short", front.Says, StringComparison.Ordinal);
        // The arm is as near to a smaller tyre of the same width; without it a smaller one opens what is above by half of what it is less.
        var above = Front([(SuspensionSizes.TyreGap, 44.9)], Tyres(Large));
        var cure = above.Ways.Single(w => w.Kind == WayKind.Cure);
        var opened = Mm(cure, ContactWith.Above) - Mm(above.Stands, ContactWith.Above);
        Assert.Equal(25 - 19.8, opened, 1.01);
        Assert.True(opened > 5);
    }

    [Fact]
    public void Through_its_lock_the_larger_of_two_tyres_is_drawn_and_behind_none()
    {
        (Corner, PlacedPart)[] odd =
        [
            Tyres(Large)[0],
            Tyres((PartSizes.Diameter, 820), (PartSizes.Width, 265))[1],
        ];
        var both = Front(Gaps, odd, travel: true).Stands.Lock!;
        var large = Front(Gaps, Tyres(Large), travel: true).Stands.Lock!;
        Assert.Equal(large.Tyre, both.Tyre);
        var rear = One(
            Of(
                StacksTests.On(
                    StacksTests.Of(SuspensionKind.CoilRadiusArm),
                    StacksTests.Of(SuspensionKind.CoilFourLink, Gaps)
                ) with
                {
                    TyreSize = "265/70R17",
                },
                [.. Tyres(Large).Select((t, i) => (Corners.Of(Axle.Rear)[i], t.Item2))],
                travel: true
            ),
            MechanismKind.Contacts,
            "rear"
        );
        Assert.Null(rear.Stands.Lock);
    }

    [Fact]
    public void Each_gap_is_named_with_where_the_wheel_is_and_a_rear_one_is_not_turned()
    {
        var front = Front(
            [.. Gaps, (SuspensionSizes.AheadFlexed, 25), (SuspensionSizes.InsideFlexed, 35)],
            Tyres(Large)
        );
        string[] said =
        [
            .. front.Stands.Contacts.Where(c => c.Gap.Value is not null).Select(c => c.Said),
        ];
        Assert.Contains("ahead of it, turning", said);
        Assert.Contains("ahead of it, turning, at full bump", said);
        Assert.Contains("to frame or exhaust, at lock, at full bump", said);
        Assert.Contains("to frame or exhaust, straight", said);
        Assert.Contains("to arm, spring, strut or brake line, straight", said);
        Assert.Contains("turned to both locks", front.Checks[0], StringComparison.Ordinal);
        var rear = One(
            Of(
                StacksTests.On(
                    StacksTests.Of(SuspensionKind.CoilRadiusArm),
                    StacksTests.Of(SuspensionKind.CoilFourLink, (SuspensionSizes.TyreToFrame, 60))
                ) with
                {
                    TyreSize = "265/70R17",
                },
                [.. Tyres(Large).Select((t, i) => (Corners.Of(Axle.Rear)[i], t.Item2))]
            ),
            MechanismKind.Contacts,
            "rear"
        );
        Assert.DoesNotContain("locks", rear.Checks[0], StringComparison.Ordinal);
    }

    [Fact]
    public void A_tyre_that_grows_is_told_the_less_well_while_it_turns_the_more_it_grows()
    {
        // Turning, what is nearest is not the middle of the tread: 15 % of the growth, by a rule of thumb; straight it is.
        double Turning(double diameter) =>
            U(
                Front(Gaps, Tyres((PartSizes.Diameter, diameter), (PartSizes.Width, 265))).Stands,
                ContactWith.Ahead,
                true
            );
        Assert.True(Turning(900) > Turning(820) + 2);
        double Straight(double diameter) =>
            U(
                Front(Gaps, Tyres((PartSizes.Diameter, diameter), (PartSizes.Width, 265))).Stands,
                ContactWith.Frame
            );
        Assert.Equal(Straight(820), Straight(900), 0.05);
    }
}
