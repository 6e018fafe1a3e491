using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using NetTopologySuite.Geometries;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class NeckStrapTests
{
    /// <summary>Open belt around pulleys of unequal diameter, as Machinery's Handbook states it (formula from memory of the source).</summary>
    [Theory]
    [InlineData(430, 16)]
    [InlineData(220, 16)]
    [InlineData(600, 22)]
    public void One_finger_is_the_open_belt(double girth, double finger)
    {
        var (large, small) = (girth / Math.PI, finger);
        var centres = (large + small) / 2;
        var angle = Math.Asin((large - small) / (2 * centres));
        var belt = 2 * centres * Math.Cos(angle) + Math.PI * (large + small) / 2 + angle * (large - small);
        Assert.Equal(belt, NeckStrap.Loop(Mm(girth), 1, Mm(finger)).Millimeters, 6);
    }

    /// <summary>Second way: the convex hull of buffered points in NetTopologySuite.</summary>
    [Property]
    public bool Any_number_of_fingers_is_the_hull(byte neck, byte thick, byte count)
    {
        var (girth, finger, fingers) = (150.0 + 3 * neck, 10 + thick % 12, 1 + count % 4);
        var loop = NeckStrap.Loop(Mm(girth), fingers, Mm(finger)).Millimeters;
        return Math.Abs(loop - HullMm(girth, finger, fingers)) < 0.02;
    }

    [Fact]
    public void No_finger_is_the_neck_itself_and_each_finger_adds_room()
    {
        Assert.Equal(430, NeckStrap.Loop(Mm(430), 0, Mm(16)).Millimeters, 9);
        var loops = Enumerable.Range(0, 5).Select(n => NeckStrap.Loop(Mm(430), n, Mm(16))).ToList();
        Assert.Equal(loops.Order(), loops);
        Assert.Equal(5, loops.Distinct().Count());
    }

    [Theory]
    [InlineData(0, 1, 16)]
    [InlineData(430, -1, 16)]
    [InlineData(430, 5, 16)]
    [InlineData(430, 1, 0)]
    [InlineData(40, 2, 16)]
    public void Nonsense_is_refused(double girth, int fingers, double finger) =>
        Assert.ThrowsAny<ArgumentOutOfRangeException>(() => NeckStrap.Loop(Mm(girth), fingers, Mm(finger)));

    private static double HullMm(double girth, double finger, int fingers)
    {
        const int Quadrants = 400;
        var factory = new GeometryFactory();
        var (neckR, fingerR) = (girth / (2 * Math.PI), finger / 2.0);
        var apart = 2 * Math.Asin(fingerR / (neckR + fingerR));
        var circles = Enumerable
            .Range(0, fingers)
            .Select(i =>
                factory.CreatePoint(new Coordinate((neckR + fingerR) * Math.Cos(i * apart), (neckR + fingerR) * Math.Sin(i * apart))).Buffer(fingerR, Quadrants)
            )
            .Append(factory.CreatePoint(new Coordinate(0, 0)).Buffer(neckR, Quadrants));
        return factory.CreateGeometryCollection([.. circles]).ConvexHull().Length;
    }
}
