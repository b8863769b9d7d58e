"""What has to be bought for some cakes: added up, less the larder, in packs."""
