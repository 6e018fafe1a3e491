using System.Text.Json.Serialization;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using UnitsNet;

namespace JauntyBadge.Data.Measuring;

/// <summary>A picture of a dog's head with what was marked on it. The picture itself is a <see cref="PictureRow"/>, loaded only to be shown.</summary>
public sealed class PhotoRow : INumbered, IOfDog, IVersioned
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public long Version { get; set; }
    public Guid DogId { get; set; }
    public PhotoView View { get; set; }
    public Side Side { get; set; }
    public int Width { get; set; }
    public int Height { get; set; }
    public DateTime AddedAt { get; set; }

    /// <summary><see cref="PhotoMarks"/> as JSON.</summary>
    public required string Marks { get; set; }

    public DateTime? RemovedAt { get; set; }
}

/// <summary>What was marked on a picture so far; anything may still be missing.</summary>
public sealed record PhotoMarks
{
    public ReferenceKind Kind { get; init; } = ReferenceKind.Card;

    /// <summary>The distance of a ruler's two marks.</summary>
    public double? RulerMm { get; init; }

    /// <summary>In order around the reference, the first two along a long side.</summary>
    public IReadOnlyList<PixelPoint> Corners { get; init; } = [];
    public IReadOnlyDictionary<Landmark, PixelPoint> Landmarks { get; init; } = new Dictionary<Landmark, PixelPoint>();

    /// <summary>Whether the reference is placed, so that something can be worked out.</summary>
    [JsonIgnore]
    public bool HasReference => Kind == ReferenceKind.Ruler ? Corners.Count == 2 && RulerMm > 0 : Corners.Count == 4;

    public static PhotoMarks Read(string json) => JsonColumn.Find<PhotoMarks>(json) ?? new();

    public string Write() => JsonColumn.Write(this);

    /// <summary>As the solver takes it.</summary>
    /// <exception cref="InvalidOperationException">The reference is not placed.</exception>
    public PhotoQuestion ToQuestion(PhotoView view, Side side) =>
        !HasReference
            ? throw new InvalidOperationException("The reference is not placed.")
            : new(view, new PhotoReference(Kind, Corners, RulerMm is { } mm ? Length.FromMillimeters(mm) : null, LongSideFirst: true), Landmarks)
            {
                Side = side,
            };
}
