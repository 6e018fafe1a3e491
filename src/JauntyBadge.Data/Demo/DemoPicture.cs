using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Demo;

/// <summary>
/// A picture of an invented dog's head with a card beside it, drawn in perspective from known dimensions, so that what a
/// measured picture should give is known. Hair, light and shadow hide its edges as they do on a real one.
/// </summary>
public sealed class DemoPicture
{
    private readonly Lazy<byte[]> jpeg;

    private DemoPicture(PhotoView view, PhotoMarks marks, IReadOnlyDictionary<MeasureLine, Length> truth, Func<byte[]> paint) =>
        (View, Marks, Truth, jpeg) = (view, marks, truth, new Lazy<byte[]>(paint));

    /// <summary>From where it is seen.</summary>
    public PhotoView View { get; }

    /// <summary>The picture: painted when it is first asked for.</summary>
    public byte[] Jpeg => jpeg.Value;

    /// <summary>Where everything truly lies on it.</summary>
    public PhotoMarks Marks { get; }

    /// <summary>What the measures truly are.</summary>
    public IReadOnlyDictionary<MeasureLine, Length> Truth { get; }

    /// <summary>The invented head: every length of it.</summary>
    public static SnoutModel Head { get; } =
        SnoutModel.From(
            new SnoutNumbers
            {
                NoseToInnerEyeLeft = Length.FromMillimeters(Math.Sqrt(92 * 92 + 20 * 20)),
                NoseToInnerEyeRight = Length.FromMillimeters(Math.Sqrt(92 * 92 + 20 * 20)),
                InnerEyeSpacing = Length.FromMillimeters(40),
                SnoutHeight = Length.FromMillimeters(72),
                SnoutWidth = Length.FromMillimeters(66),
                JawToNose = Length.FromMillimeters(139),
                NeckGirth = Length.FromMillimeters(400),
            }
                .With(new(Measure.NoseToOcciput), Length.FromMillimeters(205))
                .With(new(Measure.StopToNose), Length.FromMillimeters(95))
                .With(new(Measure.SkullWidth), Length.FromMillimeters(108))
        );

    /// <summary>Draws the head.</summary>
    /// <param name="view">From where.</param>
    /// <param name="width">Width of the picture in pixels; its height is three quarters of it.</param>
    public static DemoPicture Draw(PhotoView view, int width = 1600)
    {
        var scene = DemoScene.Of(view, Head);
        var camera = new DemoCamera(width);
        var marks = new PhotoMarks
        {
            Kind = ReferenceKind.Card,
            Corners = [.. scene.Card.Select(camera.See)],
            Landmarks = scene.Landmarks.ToDictionary(l => l.Key, l => camera.See(l.Value)),
        };
        return new DemoPicture(view, marks, scene.Truth, () => new DemoPaint(scene, camera, width).Jpeg((int)view));
    }
}

/// <summary>A place in front of the camera, mm: x to the right, y down, depth away from it, from the middle of the reference's plane.</summary>
internal readonly record struct ScenePoint(double X, double Y, double Depth);

/// <summary>A pinhole camera a little off square, about a metre from the head.</summary>
internal sealed class DemoCamera(int width)
{
    private const double Distance = 1100;
    private const double Yaw = 7 * Math.PI / 180;
    private const double Pitch = -5 * Math.PI / 180;
    private readonly double focal = 2.1 * width;

    /// <summary>Where a place appears on the picture.</summary>
    public PixelPoint See(ScenePoint p)
    {
        // Turned about the upright axis, then about the level one, then moved away.
        var (x1, z1) = (p.X * Math.Cos(Yaw) + p.Depth * Math.Sin(Yaw), -p.X * Math.Sin(Yaw) + p.Depth * Math.Cos(Yaw));
        var (y2, z2) = (p.Y * Math.Cos(Pitch) - z1 * Math.Sin(Pitch), p.Y * Math.Sin(Pitch) + z1 * Math.Cos(Pitch) + Distance);
        return new PixelPoint(width / 2.0 + focal * x1 / z2, width * 0.375 + focal * y2 / z2);
    }
}
