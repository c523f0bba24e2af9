using Nokko.Core.Fitting;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>A joint is found by any of its names.</summary>
public class OtherNamesTests
{
    [Fact]
    public void Every_word_that_has_another_name_stands_in_a_joint_of_some_vehicle()
    {
        string[] places =
        [
            .. from vehicle in Enum.GetValues<VehicleKind>()
            from kind in Enum.GetValues<SuspensionKind>()
            from joint in VehicleGraph
                .Of(
                    Sample.Pickup with
                    {
                        Kind = vehicle,
                        BodyKind = VehicleDefaults.With(vehicle).BodyKind,
                        Front = new() { Kind = kind },
                        Rear = new() { Kind = kind },
                    },
                    []
                )
                .Joints
            select joint.Place,
        ];
        Assert.All(
            OtherNames.All,
            n =>
            {
                Assert.Contains(places, p => p.Contains(n.Key, StringComparison.OrdinalIgnoreCase));
                Assert.NotEmpty(n.Value);
                Assert.Equal(n.Value.Distinct(), n.Value);
            }
        );
    }
}
