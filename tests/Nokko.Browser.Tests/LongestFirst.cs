using Nokko.Browser.Tests;
using Xunit;
using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(LongestFirst))]

namespace Nokko.Browser.Tests;

/// <summary>Starts the classes that take longest first, so that none of them runs alone at the end.</summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    private static readonly string[] Long =
    [
        nameof(WholeJobTests),
        nameof(WalkRoundTests),
        nameof(NothingIsLostTests),
        nameof(PlanTests),
        nameof(ViewsTests),
    ];

    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(
        IReadOnlyCollection<TTestCollection> testCollections
    )
        where TTestCollection : ITestCollection =>
        [
            .. testCollections.OrderBy(c =>
            {
                var at = Array.FindIndex(
                    Long,
                    name => c.TestCollectionDisplayName.Contains(name, StringComparison.Ordinal)
                );
                return at < 0 ? Long.Length : at;
            }),
        ];
}
