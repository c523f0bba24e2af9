using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What one way leaves round the tyres of an axle.</summary>
/// <remarks>Source: docs/computation/geometry.md#tyre-contacts.</remarks>
internal sealed partial class TyreContacts
{
    /// <summary>Gap that is kept above a tyre on its wheels, mm: a rule of thumb.</summary>
    public const double KeepAboveMm = 25;

    /// <summary>Gap that is kept everywhere else, mm: a rule of thumb.</summary>
    public const double KeepMm = 12;

    /// <summary>How far a wheel turns where nobody took it, °: a rule of thumb.</summary>
    public static readonly Estimate UsualLock = new(33, 4);

    /// <summary>Standard uncertainty of a lock that was taken, °.</summary>
    public const double LockU = 1;

    /// <summary>Share of a radius's growth by which a gap that was taped above or below the hub's height may lose more or less: a rule of thumb.</summary>
    private const double OffHubShare = 0.15;

    private const double Degree = Math.PI / 180;

    /// <summary>What was taped on the axle: size, to what, where, turned.</summary>
    public static readonly (string Size, ContactWith With, ContactAt At, bool Turned)[] Taped =
    [
        (SuspensionSizes.TyreToFrame, ContactWith.Frame, ContactAt.Ride, false),
        (SuspensionSizes.TyreToArm, ContactWith.Arm, ContactAt.Ride, false),
        (SuspensionSizes.AheadAtLock, ContactWith.Ahead, ContactAt.Ride, true),
        (SuspensionSizes.BehindAtLock, ContactWith.Behind, ContactAt.Ride, true),
        (SuspensionSizes.InsideAtLock, ContactWith.Frame, ContactAt.Ride, true),
        (SuspensionSizes.AheadFlexed, ContactWith.Ahead, ContactAt.Bump, true),
        (SuspensionSizes.BehindFlexed, ContactWith.Behind, ContactAt.Bump, true),
        (SuspensionSizes.InsideFlexed, ContactWith.Frame, ContactAt.Bump, true),
    ];

    private readonly LiftedAxle _axle;
    private readonly IReadOnlyList<TyreSwap> _swaps;
    private readonly Estimate _lock;
    private readonly (Result Ride, Result Bump)? _above;
    private readonly bool _lifted;
    private readonly double _earlier;
    private readonly Estimate _aside;

    /// <param name="axle">The axle.</param>
    /// <param name="swaps">The tyres of both sides; none where they cannot be told.</param>
    /// <param name="above">What is left above.</param>
    /// <param name="lifted">Whether it is lifted: what is taped on its wheels is known the less.</param>
    /// <param name="earlierDegrees">By how much the steering stops are set earlier than they were, °.</param>
    public TyreContacts(
        LiftedAxle axle,
        IReadOnlyList<TyreSwap> swaps,
        (Result Ride, Result Bump)? above,
        bool lifted,
        double earlierDegrees = 0
    )
    {
        (_axle, _swaps, _above, _lifted, _earlier) = (axle, swaps, above, lifted, earlierDegrees);
        _lock = LockOf(axle.Suspension);
        _aside = Aside();
        Contacts = swaps.Count == 0 ? [] : [.. All()];
    }

    public IReadOnlyList<Contact> Contacts { get; }

    /// <summary>Lock as it was, rad.</summary>
    public double LockRad => _lock.Mean * Degree;

    /// <summary>How far it turns with its stops where they are set, rad.</summary>
    public double TurnsRad => Turns(_lock.Mean, _earlier) * Degree;

    /// <summary>What stops leave of a lock, °: no less than straight.</summary>
    private static double Turns(double lockDegrees, double earlier) =>
        Math.Max(0, lockDegrees - earlier);

    public double DiameterMm => 2 * _swaps.Max(s => s.Next.RadiusMm);

    public bool AnyTurned => Contacts.Any(c => c is { Turned: true, Gap.Value: not null });

    /// <summary>The contact with the least gap; null where none is known.</summary>
    public Contact? Least => Contacts.Where(c => c.Gap.Value is not null).MinBy(c => c.Gap.Value);

    /// <summary>The least gap ahead of a turned tyre and behind it, on its wheels: what somebody reads there while the wheel is turned.</summary>
    /// <param name="contacts">Contacts of an axle.</param>
    public static Result LeastAtFender(IReadOnlyList<Contact> contacts) =>
        contacts
            .Where(c =>
                c
                    is {
                        With: ContactWith.Ahead or ContactWith.Behind,
                        At: ContactAt.Ride,
                        Turned: true,
                        Gap.Value: not null
                    }
            )
            .MinBy(c => c.Gap.Value)
            ?.Gap
        ?? Result.No(Unit.Mm, "Tape the gaps ahead of the turned tyre and behind it.");

    /// <summary>Contacts with less than must be left, and less than before; those that are shortest first.</summary>
    public IReadOnlyList<Contact> Tight(TyreContacts before) =>
        [
            .. Contacts
                .Where(c =>
                    c is { Stands: not (null or ContactStands.Enough), Gap.Value: { } gap }
                    && before.At(c)?.Gap.Value is { } was
                    && gap < was - 1
                )
                .OrderBy(c => c.Gap.Value - c.KeepMm),
        ];

    /// <summary>Whether a gap that is less than before may be none within its ±, though its mean is one.</summary>
    public bool MayTouch(TyreContacts before) =>
        Contacts.Any(c =>
            c.Gap is { Value: >= 0 and var gap, U: { } u }
            && gap < 2 * u
            && before.At(c)?.Gap.Value > gap + 1
        );

    private Contact? At(Contact of) =>
        Contacts.FirstOrDefault(c => c.With == of.With && c.At == of.At && c.Turned == of.Turned);

    private IEnumerable<Contact> All()
    {
        if (_above is { } above)
        {
            yield return new(
                ContactWith.Above,
                ContactAt.Ride,
                false,
                "above it, on its wheels",
                above.Ride,
                KeepAboveMm
            );
            yield return new(
                ContactWith.Above,
                ContactAt.Bump,
                false,
                "above it, at full bump",
                above.Bump,
                0
            );
        }
        foreach (var (size, with, at, turned) in Taped)
        {
            if (_axle.Axle == Axle.Front || !turned)
            {
                yield return new(
                    with,
                    at,
                    turned,
                    Said(with, at, turned),
                    _axle.Suspension.Get(size) is { } gap
                        ? _swaps.Select(s => Left(gap, s, with, at, turned)).MinBy(r => r.Value)!
                        : Result.No(Unit.Mm, "not taped"),
                    _axle.Limits.Of(MechanismKind.Contacts)
                );
            }
        }
    }

    private static string Said(ContactWith with, ContactAt at, bool turned) =>
        (
            with switch
            {
                ContactWith.Ahead => "ahead of it",
                ContactWith.Behind => "behind it",
                ContactWith.Frame => "to frame or exhaust",
                ContactWith.Arm => "to arm, spring, strut or brake line",
                _ => throw new ArgumentOutOfRangeException(nameof(with)),
            }
        )
        + (
            with == ContactWith.Frame && turned ? ", at lock"
            : turned ? ", turning"
            : ", straight"
        )
        + (at == ContactAt.Bump ? ", at full bump" : "");

    /// <summary>How far its wheels turn, °: as taken, else as usual.</summary>
    private static Estimate LockOf(Vehicles.Suspension suspension) =>
        suspension.Get(SuspensionSizes.LockAngle) is { } at ? new Estimate(at, LockU) : UsualLock;

    /// <summary>The least that another tyre on the same rims leaves of the gaps that were taped while it turned; null where none was.</summary>
    /// <param name="suspension">The steered axle.</param>
    /// <param name="swap">The tyre that is on and the one that comes.</param>
    public static Result? LeastTurned(Vehicles.Suspension suspension, TyreSwap swap) =>
        Taped
            .Where(t => t.Turned && suspension.Get(t.Size) is not null)
            .Select(t =>
                Left(
                    suspension.Get(t.Size)!.Value,
                    swap,
                    t.With,
                    t.Turned,
                    (LockOf(suspension), 0),
                    default,
                    0
                )
            )
            .MinBy(r => r.Value);

    /// <summary>How much nearer the frame comes on one side, where a track bar draws the axle there: it stands still itself.</summary>
    private Estimate Aside() =>
        _lifted
        && TrackBarMechanism.Holds(_axle.Suspension.Kind)
        && TrackBarMechanism.Aside(_axle.Suspension, _axle.Rise, _axle.Parts)
            is { Value: { } mm, Known: not Known.Archetype } aside
            ? new Estimate(Math.Abs(mm), aside.U ?? 0)
            : default;

    private Result Left(double gap, TyreSwap swap, ContactWith with, ContactAt at, bool turned) =>
        Left(
            gap,
            swap,
            with,
            turned,
            (_lock, _earlier),
            with == ContactWith.Frame ? _aside : default,
            // On its wheels it hangs lower in its arch than where it was taped.
            _lifted && _axle.Lifts && turned && at == ContactAt.Ride
                ? AxleSizes.JointUMm
                : 0
        );

    /// <summary>What is left of a gap that was taped with the tyre that is on.</summary>
    private static Result Left(
        double gap,
        TyreSwap swap,
        ContactWith with,
        bool turned,
        (Estimate At, double Earlier) turns,
        Estimate aside,
        double lowerU
    )
    {
        var was = swap.Was;
        double Reach(TyreSweep tyre, double degrees) =>
            with is ContactWith.Ahead or ContactWith.Behind
                ? tyre.FarthestMm(degrees * Degree)
                : tyre.InsideMm(turned ? degrees * Degree : 0);
        double Of(double[] x) =>
            x[0]
            - Reach(new TyreSweep(x[1], x[2], x[3]), Turns(x[4], turns.Earlier))
            + Reach(was, x[4])
            - x[5];
        var growth = Math.Abs(swap.Next.RadiusMm - was.RadiusMm);
        (double, double)[] values =
        [
            (gap, double.Hypot(AxleSizes.JointUMm, lowerU)),
            (swap.Next.RadiusMm, double.Hypot(swap.RadiusU, turned ? OffHubShare * growth : 0)),
            (swap.Next.HalfWidthMm, swap.HalfWidthU),
            (swap.Next.OutMm, swap.OutU),
            (turns.At.Mean, turns.At.Sd),
            (aside.Mean, aside.Sd),
        ];
        return Result.Of(
            Of([.. values.Select(v => v.Item1)]),
            Unit.Mm,
            FirstOrder.U(x => Of(x), values, []),
            []
        );
    }

    /// <summary>The way in which it leaves them.</summary>
    public MechanismWay Way(WayKind kind, string said, TyreContacts? before, string? why)
    {
        var touches = Contacts
            .Where(c =>
                c.Stands == ContactStands.Touches
                && (before is null || before.At(c)?.Gap.Value > c.Gap.Value)
            )
            .ToArray();
        return new MechanismWay
        {
            Kind = kind,
            Said = said,
            Figure =
                Least?.Gap ?? Result.No(Unit.Mm, why ?? "Tape the gaps round the tyre that is on."),
            Contacts = Contacts,
            Also = [.. Also(kind)],
            Lock = _axle.Travel ? Lock() : null,
            Care =
                kind != WayKind.Before && touches.Length > 0
                    ? new Caution(
                        Heed.Stop,
                        $"The tyre touches {string.Join("; ", touches.Select(t => t.Said))}: it is not driven so."
                    )
                    : null,
        };
    }

    private IEnumerable<LabelledResult> Also(WayKind kind)
    {
        if (_swaps.Count == 0)
        {
            yield break;
        }
        if (_swaps.MaxBy(s => Math.Abs(s.Fit.OuterMm)) is { Changes: true } swap)
        {
            yield return new(
                "Its outer wall stands further out by",
                Result.Of(swap.Fit.OuterMm, Unit.Mm, double.Hypot(swap.HalfWidthU, swap.OutU), [])
            );
            if (swap.Fit.ScrubMm != 0)
            {
                yield return new(
                    "Scrub radius, outward more by",
                    Result.Of(swap.Fit.ScrubMm, Unit.Mm, swap.OutU, [])
                );
            }
        }
        if (kind is not WayKind.Cure && LargestDiameterMm() is { } most)
        {
            // Half of a diameter goes into the gap that ends it.
            var ends = OfDiameter(most)
                .Contacts.Where(c => c.Gap.Value is not null)
                .MinBy(c => c.Gap.Value - c.KeepMm)!;
            yield return new(
                "Largest tyre that keeps its gaps, as wide",
                Result.Of(most, Unit.Mm, 2 * (ends.Gap.U ?? 0), [])
            );
        }
    }

    private TyreThroughLock? Lock()
    {
        if (_axle.Axle != Axle.Front || _swaps.Count == 0)
        {
            return null;
        }
        var swap = _swaps.MaxBy(s => s.Next.RadiusMm)!;
        double? Stands(string size, double reach) =>
            _axle.Suspension.Get(size) is { } gap ? reach + gap : null;
        var ahead = Stands(SuspensionSizes.AheadAtLock, swap.Was.FarthestMm(LockRad));
        var behind = Stands(SuspensionSizes.BehindAtLock, swap.Was.FarthestMm(LockRad));
        var inside = Stands(SuspensionSizes.InsideAtLock, swap.Was.InsideMm(LockRad)) - _aside.Mean;
        if (ahead is null && behind is null && inside is null)
        {
            return null;
        }
        var whole = (int)Math.Round(Turns(_lock.Mean, _earlier));
        double[] degrees = [.. Enumerable.Range(-whole, (2 * whole) + 1).Select(d => (double)d)];
        return new TyreThroughLock(
            swap.Next,
            degrees,
            [
                .. degrees.Select(d =>
                    Math.Round(
                        new[]
                        {
                            ahead - swap.Next.AheadMm(d * Degree),
                            behind - swap.Next.BehindMm(d * Degree),
                            inside - swap.Next.InsideMm(d * Degree),
                        }
                            .Min()!
                            .Value,
                        2
                    )
                ),
            ],
            ahead,
            behind,
            inside
        );
    }
}
