using Org.BouncyCastle.Bcpg;
using Org.BouncyCastle.Bcpg.OpenPgp;
using Org.BouncyCastle.Security;

namespace JauntyBadge.Data.Handover;

/// <summary>
/// Files closed with a passphrase, as OpenPGP messages (RFC 9580, symmetric: AES-256 with integrity protection, the key from the passphrase by iterated and salted SHA-256), which
/// other programs open too, such as gpg --decrypt.
/// </summary>
public static class SealedFile
{
    public const string Suffix = ".gpg";

    /// <summary>Shortest passphrase taken (Published: NIST SP 800-63B-4 asks for 15 where it is the only protection).</summary>
    public const int ShortestPassphrase = 15;

    private const int Buffer = 1 << 16;

    /// <summary>Closes a file.</summary>
    public static void Close(string from, string to, string passphrase)
    {
        using var source = File.OpenRead(from);
        using var target = Private(to);
        var encrypted = new PgpEncryptedDataGenerator(SymmetricKeyAlgorithmTag.Aes256, withIntegrityPacket: true, new SecureRandom());
        encrypted.AddMethodUtf8(passphrase.ToCharArray(), HashAlgorithmTag.Sha256);
        using var outer = encrypted.Open(target, new byte[Buffer]);
        var literal = new PgpLiteralDataGenerator();
        using var inner = literal.Open(outer, PgpLiteralData.Binary, Path.GetFileName(from), DateTime.UnixEpoch, new byte[Buffer]);
        source.CopyTo(inner, Buffer);
    }

    /// <summary>Opens a file.</summary>
    /// <exception cref="PracticeProblem">The passphrase is another, or the file is damaged or no such file.</exception>
    public static void Open(string from, string to, string passphrase)
    {
        try
        {
            using var source = File.OpenRead(from);
            var factory = new PgpObjectFactory(PgpUtilities.GetDecoderStream(source));
            var list = factory.NextPgpObject() as PgpEncryptedDataList ?? factory.NextPgpObject() as PgpEncryptedDataList;
            if (list is not [PgpPbeEncryptedData data, ..])
                throw Damaged();
            using var opened = data.GetDataStreamUtf8(passphrase.ToCharArray());
            if (new PgpObjectFactory(opened).NextPgpObject() is not PgpLiteralData literal)
                throw Damaged();
            using (var target = Private(to))
                literal.GetInputStream().CopyTo(target, Buffer);
            if (!data.Verify())
                throw Damaged();
        }
        catch (Exception e) when (e is not FileNotFoundException)
        {
            // What was opened before the end showed that it was altered is not left behind.
            File.Delete(to);
            throw e switch
            {
                PracticeProblem => e,
                PgpException => new PracticeProblem("The backup does not open with this passphrase.", e),
                _ => Damaged(),
            };
        }
    }

    private static PracticeProblem Damaged() => new("The file is damaged, or no backup closed with a passphrase.");

    private static FileStream Private(string path) =>
        new(
            path,
            new FileStreamOptions
            {
                Mode = FileMode.Create,
                Access = FileAccess.ReadWrite,
                UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
            }
        );
}
