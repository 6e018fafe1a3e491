using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace JauntyBadge.Data;

/// <summary>A stored picture: upright JPEG without what the camera wrote into it.</summary>
public sealed class PictureRow
{
    /// <summary>What it is a picture of: a photo to measure, a try-on, a wear.</summary>
    public Guid OfId { get; set; }
    public required byte[] Jpeg { get; set; }
}

/// <summary>How a picture lies in the database.</summary>
internal sealed class PictureConfiguration : IEntityTypeConfiguration<PictureRow>
{
    public void Configure(EntityTypeBuilder<PictureRow> picture) => picture.HasKey(p => p.OfId);
}
