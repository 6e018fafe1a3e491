using System.Text;

namespace JauntyBadge.Core.Tests;

public class FileTextTests
{
    /// <summary>XML 1.0, section 2.2, and RFC 5545, section 3.3.11: no control characters but tab and line ends.</summary>
    [Theory]
    [InlineData("Pip\0", "Pip")]
    [InlineData("a\u001b[31mb", "a[31mb")]
    [InlineData("one\r\n\ttwo", "one\r\n\ttwo")]
    [InlineData("Ærø", "Ærø")]
    public void What_goes_into_a_file_can_be_printed(string text, string printed) => Assert.Equal(printed, FileText.Printable(text));

    private const string Sheet = "measure;value\r\nnoseToInnerEye;9,5 cm\r\nNote;Bär, 3½ €\r\n";

    [Fact]
    public void Utf_8_and_utf_16_are_read_with_and_without_a_mark()
    {
        Assert.Equal(Sheet, FileText.Read(Encoding.UTF8.GetBytes(Sheet)));
        Assert.Equal(Sheet, FileText.Read([.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(Sheet)]));
        foreach (var bigEndian in new[] { false, true })
        {
            var encoding = new UnicodeEncoding(bigEndian, true);
            Assert.Equal(Sheet, FileText.Read([.. encoding.GetPreamble(), .. encoding.GetBytes(Sheet)]));
            Assert.Equal(Sheet, FileText.Read(encoding.GetBytes(Sheet)));
        }
    }

    /// <summary>Windows-1252 as its table gives it: 0xE4 is ä, 0xBD is ½, 0x80 is €.</summary>
    [Fact]
    public void What_is_no_utf_8_is_read_as_windows_1252_where_every_byte_is_a_letter_of_it() =>
        Assert.Equal("Bär 3½ €", FileText.Read([(byte)'B', 0xE4, (byte)'r', (byte)' ', (byte)'3', 0xBD, (byte)' ', 0x80]));

    [Theory]
    [InlineData(new byte[] { 0x42, 0xE4, 0x81 })] // a hole in the table
    [InlineData(new byte[] { 0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, 0, 0, 0, 13 })] // a picture
    [InlineData(new byte[] { 0xE4, 0x07 })] // a bell
    [InlineData(new byte[] { 0xFF, 0xFE, 0x41 })] // half a letter
    public void What_no_encoding_explains_is_refused_not_garbled(byte[] bytes) => Assert.Null(FileText.Read(bytes));
}
