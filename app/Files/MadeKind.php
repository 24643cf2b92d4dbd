<?php

declare(strict_types=1);

namespace App\Files;

/** What is made in the background to be taken away. */
enum MadeKind: string
{
    case Pdf = 'report-pdf';
    case Document = 'report-docx';
    case Supplements = 'supplements';
    case Archive = 'archive';
    case BareArchive = 'bare-archive';

    public function label(): string
    {
        return match ($this) {
            self::Pdf => 'Report as PDF',
            self::Document => 'Report as DOCX',
            self::Supplements => 'Supplementary files',
            self::Archive => 'Archive with full texts',
            self::BareArchive => 'Archive without full texts',
        };
    }

    public function ending(): string
    {
        return match ($this) {
            self::Pdf => 'pdf',
            self::Document => 'docx',
            default => 'zip',
        };
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Pdf => 'application/pdf',
            self::Document => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
            default => 'application/zip',
        };
    }

    public function isArchive(): bool
    {
        return $this === self::Archive || $this === self::BareArchive;
    }

    public function isOfReport(): bool
    {
        return $this === self::Pdf || $this === self::Document;
    }
}
