using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Opening: marks, what is loosened, and band after band with what must hold before it.</content>
internal sealed partial class CardMaker
{
    private void Open(Unit unit)
    {
        string[] marks = [.. unit.Operations.SelectMany(o => o.Marks).Distinct()];
        var opens = Joints(unit.Operations.SelectMany(o => o.Opens.Concat(o.Ends)))
            .Where(j => !_opened.Contains(j.Place))
            .OrderBy(j => j.Rank)
            .ToArray();
        var loosens = Joints(unit.Operations.SelectMany(o => o.Loosens))
            .Where(j => !_opened.Contains(j.Place) && !opens.Contains(j) && _loosened.Add(j.Place))
            .ToArray();
        if (marks.Length > 0)
        {
            Do(
                Step(
                    unit,
                    "mark",
                    "Mark before undoing",
                    "Mark or photograph, before any of it moves.",
                    5
                ) with
                {
                    Lines = marks,
                    Tools = ["paint pen"],
                }
            );
        }
        if (loosens.Length > 0)
        {
            Do(
                Step(
                    unit,
                    "loosen",
                    "Loosen in place",
                    Sentence(
                        $"Loosen {Listed([.. loosens.Select(j => j.Place)])} by a turn or two; the bolts stay in"
                    ),
                    2 * loosens.Length
                ) with
                {
                    Loosens = [.. loosens.Select(j => j.Place)],
                }
            );
        }
        var all = opens.Length;
        var minutes = unit.Operations.Sum(o => o.Minutes.Open);
        var bands = opens.GroupBy(j => Band.Of(j.Rank)).ToArray();
        foreach (var band in bands)
        {
            GraphJoint[] joints = [.. band];
            Hold(joints);
            var last = band.Key == bands[^1].Key;
            Member[] gone =
            [
                .. unit
                    .Operations.SelectMany(o => o.Out.Select(m => (Member: m, o.OutAfter)))
                    .Where(x =>
                        joints.Contains(
                            opens.LastOrDefault(j =>
                                x.OutAfter.Contains(j.Place) || j.Holds.Any(h => Of(h, x.Member))
                            )
                        )
                    )
                    .Select(x => x.Member)
                    .Distinct(),
            ];
            Do(
                Step(
                    unit,
                    band.Key.Key,
                    band.Key.Title(joints),
                    Both(joints) + Sentence(Phrases(joints.Select(j => j.Undo))) + Leaves(gone),
                    Math.Max(1, (int)Math.Round((double)minutes * joints.Length / all))
                ) with
                {
                    Opens = [.. joints.Select(j => j.Place)],
                    TakesOff =
                    [
                        .. joints.SelectMany(j => j.Off).Distinct(),
                        .. gone.Select(m => m.Said),
                    ],
                    Out = gone,
                    Lines =
                    [
                        .. Tapers(joints),
                        .. last
                            ? unit.Operations.SelectMany(o => o.Watch).Distinct()
                            : Array.Empty<string>(),
                    ],
                    Operations =
                    [
                        .. unit
                            .Operations.Where(o =>
                                joints.Any(j =>
                                    o.Opens.Contains(j.Place) || o.Ends.Contains(j.Place)
                                )
                            )
                            .Select(o => o.Kind)
                            .Distinct()
                            .Order(),
                    ],
                    People = band.Key.Heavy ? People(unit) : 1,
                    Tools =
                    [
                        .. ToolsOf(joints)
                            .Concat(unit.Operations.SelectMany(o => o.Tools))
                            .Distinct(),
                    ],
                }
            );
            _opened.UnionWith(joints.Select(j => j.Place));
        }
    }

    private static bool Of(Hold hold, Member member) => hold.Hung == member || hold.By == member;

    /// <summary>Puts what is needed before these joints open: nothing heavy is left to nothing, no energy is let go unheld.</summary>
    private void Hold(GraphJoint[] joints)
    {
        string[] places = [.. joints.Select(j => j.Place)];
        // What hangs on a member is held again as soon as that member is, so the heavier ones come first.
        while (
            _board.LackingWith(places).OrderBy(x => x.Member.Kind).FirstOrDefault()
                is { Missing: not Holds.Nothing } lack
        )
        {
            var need = SupportNeed.For(lack.Member, lack.Missing);
            var how = (lack.Missing & Holds.Carries) != 0 ? "carry" : "strap";
            if ((need.Support.Gives & lack.Missing) == Holds.Nothing)
            {
                throw new InvalidOperationException(
                    $"{need.Support.Said} does not hold the {lack.Member.Said}: {lack.Missing}."
                );
            }
            Do(
                new CardStep
                {
                    Key = $"{lack.Member.Where}/{how}-{Slug(lack.Member.Kind.Said())}",
                    Where = lack.Member.Where,
                    Title = need.Title,
                    Do = need.Do,
                    Caution = need.Caution,
                    HoldFor = HoldReason.LastHold,
                    Under = [need.Support],
                    Minutes = 3,
                    Tools = need.Tools,
                }
            );
        }
        foreach (
            var (keeps, joint) in joints
                .Where(j => j.Keeps is not null)
                .Select(j => (LetGo(j.Keeps!, j), j))
                .DistinctBy(x => x.Item1.Title)
        )
        {
            var where =
                joints.Select(j => j.Where).Distinct().Count() > 1
                && Corners.Named(joint.Where) is { } c
                    ? Corners.AxleOf(c).Said()
                    : joint.Where;
            var key = $"{where}/energy-{Slug(joint.Name)}";
            if (_steps.Any(s => s.Key == key))
            {
                continue;
            }
            Do(
                new CardStep
                {
                    Key = key,
                    Where = where,
                    Title = keeps.Title,
                    Do = keeps.How,
                    Caution = keeps.Way,
                    HoldFor = HoldReason.Energy,
                    Minutes = 10,
                    People = 2,
                    Tools = keeps.Tools,
                }
            );
        }
    }
}
