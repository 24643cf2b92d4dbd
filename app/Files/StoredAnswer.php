<?php

declare(strict_types=1);

namespace App\Files;

use Aws\Result;
use Aws\S3\Exception\S3Exception;
use Illuminate\Filesystem\AwsS3V3Adapter;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Psr\Http\Message\StreamInterface;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** A file of the store as the answer to a request, whole or the part that was asked for; it is never held in memory. */
final class StoredAnswer
{
    private const PIECE = 65_536;

    /** @param  array<string, string>  $headers */
    public static function of(Request $request, string $stored, array $headers): Response
    {
        $disk = Storage::disk();
        if ($disk instanceof AwsS3V3Adapter) {
            return self::fromElsewhere($disk, $request, $stored, $headers);
        }
        $path = Storage::path($stored);
        abort_unless(is_file($path), 404);

        return response()->file($path, $headers);
    }

    /** @param  array<string, string>  $headers */
    private static function fromElsewhere(AwsS3V3Adapter $disk, Request $request, string $stored, array $headers): Response
    {
        // one part, as viewers ask; whoever asks for several is given the whole
        $range = (string) $request->headers->get('Range', '');
        $isPart = preg_match('/^bytes=(\d+-\d*|-\d+)$/', $range) === 1;
        $given = self::object($disk, $stored, $isPart ? ['Range' => $range] : []);
        $body = $given['Body'];
        assert($body instanceof StreamInterface);
        $of = [
            'Accept-Ranges' => 'bytes',
            'Content-Length' => (string) $given['ContentLength'],
            ...$isPart ? ['Content-Range' => (string) $given['ContentRange']] : [],
        ];

        return new StreamedResponse(function () use ($body): void {
            while (! $body->eof()) {
                echo $body->read(self::PIECE);
                flush();
            }
        }, $isPart ? 206 : 200, [...$headers, ...$of]);
    }

    /**
     * @param  array<string, string>  $part
     * @return Result<mixed>
     */
    private static function object(AwsS3V3Adapter $disk, string $stored, array $part): Result
    {
        try {
            return $disk->getClient()->getObject([
                'Bucket' => $disk->getConfig()['bucket'],
                'Key' => $disk->path($stored),
                '@http' => ['stream' => true],
                ...$part,
            ]);
        } catch (S3Exception $why) {
            throw match ($why->getAwsErrorCode()) {
                'NoSuchKey' => new HttpException(404, previous: $why),
                'InvalidRange' => new HttpException(416, previous: $why),
                default => $why,
            };
        }
    }
}
