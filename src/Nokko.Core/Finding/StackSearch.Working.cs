using System.Globalization;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <content>Works single stacks out.</content>
public sealed partial class StackSearch
{
    /// <summary>Whether there are pieces for a stack, and what it uses of the limits; its chance is still the bound's.</summary>
    private void Look(Branch branch)
    {
        var (front, rear) = (branch.Front, branch.Rear);
        if (!_pool.Enough(_front!.Needs(front.Option), _rear!.Needs(rear.Option)))
        {
            return;
        }
        var worked = new Worked(_front.At(front.Option), _rear.At(rear.Option));
        Limits(worked);
        var bound = Bound(front, rear);
        _open.Enqueue(
            branch with
            {
                Worked = worked,
            },
            bound with
            {
                Share = Rank.StepsOf(worked.Most?.Use.Share ?? 0),
            }
        );
    }

    /// <summary>Gives a stack its chance one step finer; in the end as finely as the order asks for.</summary>
    /// <returns>The stack when it is worked out and the best so far.</returns>
    private FoundStack? Weigh(Worked worked, SearchOrder order, out Rank rank)
    {
        Looked += worked.Level == 0 ? 1 : 0;
        var last = worked.Level == NormalBox.Levels.Count - 1;
        var error = last ? 0 : NormalBox.Levels[worked.Level].Error;
        var chance = Chance(worked, worked.Level++);
        if (
            !last
            && !(
                Rank.BySteps(order)
                && Rank.MissingOf(chance - error) == Rank.MissingOf(chance + error)
            )
        )
        {
            // It cannot be better than this; it is looked at again when nothing else can be.
            rank = RankOf(worked, Math.Min(1, chance + error));
            return null;
        }
        worked.Chance = chance;
        rank = RankOf(worked, chance);
        if (
            worked.Stopped is not null
            || chance < _rules.LeastChance
            || (_best is not null && _open.Comparer.Compare(rank, _best.Rank) >= 0)
        )
        {
            return null;
        }
        _best = Found(worked, chance);
        return _best;
    }

    private double Chance(Worked worked, int? level)
    {
        var (f, r) = (worked.Front, worked.Rear);
        var (mean, covariance) = (
            new double[StanceOdds.Count],
            new double[StanceOdds.Count, StanceOdds.Count]
        );
        for (var i = 0; i < StanceOdds.Count; i++)
        {
            mean[i] = _odds!.Mean[i] + f.Mean[i] + r.Mean[i];
            for (var j = 0; j < StanceOdds.Count; j++)
            {
                covariance[i, j] = _odds.Covariance[i, j] + f.Covariance[i, j] + r.Covariance[i, j];
            }
        }
        return NormalBox.Probability(mean, covariance, _box.Low, _box.High, level);
    }

    /// <summary>What a stack uses of the limits, and what stops it.</summary>
    private void Limits(Worked worked)
    {
        for (var i = 0; i < 4; i++)
        {
            var corner = worked.Corners[i];
            var said = Corners.Said(corner.Corner);
            var rise = worked.Front.Heights[i] + worked.Rear.Heights[i];
            var u = Math.Sqrt(worked.Front.Variances[i] + worked.Rear.Variances[i]);
            foreach (var use in corner.Uses(rise, u))
            {
                if (worked.Most is null || use.Share > worked.Most.Value.Use.Share)
                {
                    worked.Most = (corner.Corner, use);
                }
                if (use.Share > 1.001 && (use.Hard || _rules.HoldEveryLimit))
                {
                    worked.Stopped ??= string.Create(
                        CultureInfo.InvariantCulture,
                        $"{said}: {use.What}, {use.Share * 100:0} % used"
                    );
                }
            }
            if (_rules.KeepDroop && corner.DroopKept(rise) is < 0.75 and var kept)
            {
                worked.Stopped ??= string.Create(
                    CultureInfo.InvariantCulture,
                    $"{said}: only {kept * 100:0} % of its droop is left"
                );
            }
            if (_rules.NoCutting && corner.Irreversible.Count > 0)
            {
                worked.Stopped ??= corner.Irreversible[0];
            }
        }
        if (_centred?.Of(worked.Corners, Rise) is { } centred)
        {
            worked.Beside = centred.Come;
            worked.Stopped ??= centred.Stopped;
        }
        if (_rules.HoldGeometry)
        {
            var cures = _held.Of(Stacks(worked));
            worked.Beside = [.. worked.Beside, .. cures.SelectMany(c => c.Parts)];
            worked.Stopped ??= cures
                .Where(c => c.Parts.Count == 0)
                .Select(c => $"{c.Where} axle: {c.Says} Nothing at hand takes it back.")
                .FirstOrDefault();
        }

        // Over an axle's middle the frame rises by the mean of both sides, known no worse than both together.
        Estimate Rise(Axle axle)
        {
            var first = axle == Axle.Front ? 0 : 2;
            double Mean(int i) => worked.Front.Heights[i] + worked.Rear.Heights[i];
            double U(int i) => Math.Sqrt(worked.Front.Variances[i] + worked.Rear.Variances[i]);
            return new((Mean(first) + Mean(first + 1)) / 2, (U(first) + U(first + 1)) / 2);
        }
    }

    private Rank RankOf(Worked w, double chance) =>
        Stand(
            chance,
            Touched(w),
            w.Most?.Use.Share ?? 0,
            w.Front.Irreversible + w.Rear.Irreversible,
            Opened(w),
            Hours(w),
            Cost(w),
            Cost(w) + (Hours(w) * _rules.HourRate),
            Unsure(w),
            string.Join('|', w.Corners.Select(c => c.Key))
        );

    private int Unsure(Worked w) =>
        w.Beside.Any(b => _pool.Fits(b.Part, Corners.AxleOf(b.Corner)).State == FitState.Unknown)
            ? 1
            : Math.Max(w.Front.Unsure, w.Rear.Unsure);

    private static int Touched(Worked w) => w.Front.Touched + w.Rear.Touched + w.Beside.Count;

    private static int Opened(Worked w) =>
        Corners.Axles.Count(a =>
            (a == Axle.Front ? w.Front : w.Rear).Opened > 0
            || w.Beside.Any(b => Corners.AxleOf(b.Corner) == a)
        );

    private static double Hours(Worked w) =>
        w.Front.Hours + w.Rear.Hours + w.Beside.Sum(b => b.Part.WorkHours());

    private double Cost(Worked w) =>
        w.Front.Cost + w.Rear.Cost + w.Beside.Sum(b => _pool.PriceOf(b.Part));

    private FoundStack Found(Worked w, double chance)
    {
        var fine = Chance(w, null);
        return new(
            new Plan
            {
                Id = Guid.Empty,
                Name = "",
                FromStageId = _situation.From.Id,
                Stacks = Stacks(w),
            },
            fine,
            RankOf(w, chance),
            w.Most,
            [.. w.Corners.SelectMany(c => c.Irreversible)],
            Hours(w),
            w.Corners.Any(c => c.HoursGuessed) || w.Beside.Any(b => b.Part.Hours is null),
            w.Corners.Any(c => c.MoneyGuessed)
                || w.Beside.Any(b => b.Part.Price is null && !PartRule.Of(b.Part.Kind).Turned),
            (Hours(w) + ((1 - fine) * _again.Hours), Cost(w) + ((1 - fine) * _again.Money)),
            _again,
            _pool.ToBuy(w.Corners, w.Beside.Select(b => b.Part.PartId).OfType<Guid>()),
            w.Stopped
        );
    }

    /// <summary>What would stand where. A piece that comes off at one corner is the piece that goes in at another.</summary>
    private List<CornerStack> Stacks(Worked w)
    {
        var kept = w.Corners.SelectMany(c => c.Parts).Select(p => p.Id).ToHashSet();
        var off = _situation
            .From.Stacks.SelectMany(s => s.Parts)
            .Where(p => !kept.Contains(p.Id))
            .ToList();
        return
        [
            .. w
                .Corners.Select(c => new CornerStack
                {
                    Corner = c.Corner,
                    Parts = CornerStack.Joined(
                        c.Parts.Select(p => Moved(p, c.Corner)),
                        [.. w.Beside.Where(b => b.Corner == c.Corner).Select(b => b.Part)]
                    ),
                })
                .Where(c => c.Parts.Count > 0),
        ];

        PlacedPart Moved(PlacedPart part, Corner corner)
        {
            var there = CornerStack.At(_situation.From.Stacks, corner).Any(p => p.Id == part.Id);
            var i = there
                ? -1
                : off.FindIndex(p => p.PartId is not null && p.PartId == part.PartId);
            if (i < 0)
            {
                return part;
            }
            var piece = off[i];
            off.RemoveAt(i);
            return piece;
        }
    }

    /// <summary>One stack of the whole vehicle, as far as it was worked out.</summary>
    private sealed class Worked(AxleOption front, AxleOption rear)
    {
        public AxleOption Front { get; } = front;

        public AxleOption Rear { get; } = rear;

        public CornerOption[] Corners { get; } = [front.Left, front.Right, rear.Left, rear.Right];

        public (Corner Corner, LimitUse Use)? Most { get; set; }

        /// <summary>What comes so that no axle sits aside.</summary>
        public IReadOnlyList<(Corner Corner, PlacedPart Part)> Beside { get; set; } = [];

        public string? Stopped { get; set; }

        public double? Chance { get; set; }

        /// <summary>How finely its chance is to be worked out next.</summary>
        public int Level { get; set; }
    }
}
